# frozen_string_literal: true

require "fileutils"
require "json"
require "rbconfig"
require "securerandom"

module Jobs
  # Gives queued jobs to worker processes, a few at a time, and has stored what they bring back or why they failed. Whatever happens to
  # a job or to the database, it goes on.
  class Dispatcher
    WORKER = File.expand_path("../../bin/analysis-worker", __dir__)
    # How long an idle thread sleeps before it looks at the queue unasked.
    IDLE_SECONDS = 2
    # How long ending the threads may take.
    STOP_SECONDS = 1.5
    # How often the database is looked at for what can be freed.
    TIDY_SECONDS = 1800
    # How often a result is offered to a database that somebody else holds; each time waits for as long as a connection does.
    TRIES = 6

    # A job that ended while its end could not be stored.
    Unsettled = Struct.new(:queue, :job, :reason)

    # @param library [Store::Library]
    # @param bulletin [Bulletin]
    # @param limits [Limits]
    # @param command [Array<String>] what is started; the paths of recording and result, and the task as JSON, are added
    def initialize(library, bulletin, limits: Limits.new, command: [RbConfig.ruby, WORKER])
      @library = library
      @queues = [AssemblyQueue, AnalysisQueue, StemQueue, SeparationQueue].map { |queue| queue.new(library) }
      @bulletin = bulletin
      @limits = limits
      @command = command
      @scratch = File.join(library.home, "scratch")
      @running = {}.compare_by_identity
      @unsettled = Queue.new
      @tidying = Mutex.new
      @tidied = clock
    end

    # Takes up what a killed run left, and starts to work.
    #
    # @return [Dispatcher] self
    def start
      FileUtils.mkdir_p(@scratch)
      FileUtils.rm_f(Dir.glob("*", base: @scratch).map { |name| File.join(@scratch, name) })
      @queues.each(&:resume)
      @lifeline, @held = IO.pipe
      @threads = Array.new(@limits.workers) { Thread.new { serve } }
      self
    end

    # Ends the workers; what they were at waits for the next start, and that it was ended does not count as a failure of it.
    def stop
      @stopping = true
      @bulletin.publish
      @running.dup.each_value(&:kill)
      @threads&.each { |thread| thread.join(STOP_SECONDS) }
      [@lifeline, @held].compact.each(&:close)
    end

    private

    def serve
      edition = @bulletin.edition
      until @stopping
        job = surviving { next_job }
        next surviving { work(*job) } if job

        surviving { @library.measure_waiting }
        surviving { tidy }
        edition = @bulletin.wait(edition, IDLE_SECONDS)
      end
    end

    # When nothing waits or runs, what was deleted since is freed now and then.
    def tidy
      @tidying.try_lock or return
      begin
        return if @running.any? || clock - @tidied < TIDY_SECONDS

        @tidied = clock
        Store::Database.tidy(@library.db)
      ensure
        @tidying.unlock
      end
    end

    def clock = Process.clock_gettime(Process::CLOCK_MONOTONIC)

    # A thread that ended would take the queue with it without a word.
    def surviving
      yield
    rescue StandardError => e
      warn "Background work: #{e.class}: #{e.message}\n#{e.backtrace&.first(5)&.join("\n")}"
      nil
    end

    def next_job
      settle_what_is_left
      @queues.each do |queue|
        job = queue.claim
        return [queue, job] if job
      end
      nil
    end

    # While the database can't be written (a full disk, say) nothing is claimed; this raises then, and is tried again later.
    def settle_what_is_left
      until @unsettled.empty?
        left = @unsettled.pop
        begin
          left.queue.fail(left.job, left.reason)
        rescue StandardError
          @unsettled << left
          raise
        end
      end
    end

    def work(queue, job)
      result = File.join(@scratch, "#{job[:id]}-#{SecureRandom.hex(4)}.json")
      @bulletin.publish
      ended(queue, job, result, supervise(queue, job, result))
    rescue StandardError => e
      return queue.release(job) if @stopping

      warn "Job #{job[:id]}: #{e.class}: #{e.message}\n#{e.backtrace&.first(5)&.join("\n")}"
      give_up(queue, job, "The result could not be stored. #{disk_full?(e) ? "The disk is full: make room and try again." : "Try again."}")
    ensure
      FileUtils.rm_f(Dir.glob("#{File.basename(result)}*", base: @scratch).map { |name| File.join(@scratch, name) })
      @bulletin.publish
    end

    def ended(queue, job, result, outcome)
      return queue.release(job) if @stopping
      return if outcome == :unwanted || !queue.wanted?(job)

      outcome.nil? && File.exist?(result) ? finish(queue, job, result) : queue.fail(job, outcome || "The work ended without a result. Try again.")
    end

    # What took minutes is not given up because somebody else writes for seconds.
    def finish(queue, job, result)
      tries ||= 0
      queue.finish(job, result)
    rescue Sequel::Error => e
      raise unless Store::Database.busy?(e) && (tries += 1) < TRIES && !@stopping

      retry
    end

    def disk_full?(error) = error.is_a?(Errno::ENOSPC) || Store::Database.full?(error)

    # What can't even be marked as failed now is marked later.
    def give_up(queue, job, reason)
      queue.fail(job, reason)
    rescue StandardError
      @unsettled << Unsettled.new(queue, job, reason)
    end

    def supervise(queue, job, result)
      command = [*@command, queue.path(job), result, JSON.generate(queue.task(job))]
      process = @running[job] = WorkerProcess.new(command, @limits, @lifeline)
      process.run { |message| !@stopping && still_wanted?(queue, job, message) }
    ensure
      @running.delete(job)
    end

    # Where nothing was changed, nobody waits for it any more. While the database can't be asked, work goes on.
    def still_wanted?(queue, job, message)
      return queue.wanted?(job) unless message

      queue.advance(job, message).positive?.tap { |wanted| @bulletin.publish if wanted }
    rescue Sequel::Error
      true
    end
  end
end
