# frozen_string_literal: true

require "fileutils"
require "io/wait"
require "json"
require "rbconfig"
require "securerandom"

module Jobs
  # Gives queued jobs to worker processes, a few at a time, and has stored what they bring back or why they failed.
  class Dispatcher
    WORKER = File.expand_path("../../bin/analysis-worker", __dir__)
    # How long an idle thread sleeps before it looks at the queue unasked.
    IDLE_SECONDS = 2

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
      @running = []
    end

    # Takes up what a killed run left, and starts to work.
    #
    # @return [Dispatcher] self
    def start
      FileUtils.mkdir_p(@scratch)
      FileUtils.rm_f(Dir.glob(File.join(@scratch, "*")))
      @queues.each(&:resume)
      @threads = Array.new(@limits.workers) { Thread.new { serve } }
      self
    end

    # Ends the workers; what they were at is taken up at the next start.
    def stop
      @stopping = true
      @bulletin.publish
      @running.dup.each { |pid| end_process(pid) }
      @threads&.each { |thread| thread.join(5) }
    end

    private

    def serve
      edition = @bulletin.edition
      until @stopping
        job = claim
        job ? work(*job) : edition = @bulletin.wait(edition, IDLE_SECONDS)
      end
    end

    # While the database can't be written (a full disk, say) nothing is claimed; the queues are looked at again later.
    def claim
      @queues.each do |queue|
        job = queue.claim
        return [queue, job] if job
      end
      nil
    rescue Sequel::DatabaseError => e
      warn "No job could be claimed: #{e.message}"
      nil
    end

    def work(queue, job)
      result = File.join(@scratch, "#{job[:id]}-#{SecureRandom.hex(4)}.json")
      @bulletin.publish
      error = supervise(queue, job, result)
      return if @stopping

      File.exist?(result) ? queue.finish(job, result) : queue.fail(job, error)
    rescue StandardError => e
      give_up(queue, job, e)
    ensure
      FileUtils.rm_f(Dir.glob("#{result}*"))
      @bulletin.publish
    end

    # What can't even be marked as failed is taken up at the next start.
    def give_up(queue, job, error)
      queue.fail(job, "The result could not be stored (#{error.message}).")
    rescue Sequel::DatabaseError => e
      warn "Job #{job[:id]} could not be marked as failed: #{e.message}"
    end

    # Runs the worker to its end or to its limits; says what went wrong, nil when nothing did.
    def supervise(queue, job, result)
      reader, writer = IO.pipe
      pid = spawn_worker(queue, job, result, writer)
      writer.close
      said = follow(queue, job, reader, pid)
      status = Process.wait2(pid).last
      said || (status.success? ? nil : ending(status))
    ensure
      @running.delete(pid)
      reader&.close
    end

    def spawn_worker(queue, job, result, writer)
      pid = Process.spawn(*@command, queue.path(job), result, JSON.generate(queue.task(job)), out: writer, err: File::NULL, in: File::NULL, pgroup: true,
        rlimit_as: @limits.bytes, rlimit_cpu: @limits.seconds.ceil)
      @running << pid
      pid
    end

    # Reads progress lines until the worker closes its end; kills it when its time is over.
    def follow(queue, job, reader, pid)
      deadline = Process.clock_gettime(Process::CLOCK_MONOTONIC) + @limits.seconds
      while (line = next_line(reader, deadline))
        return timed_out(pid) if line == :late

        message = JSON.parse(line, symbolize_names: true)
        return message[:error] if message[:error]

        queue.advance(job, message)
        @bulletin.publish
      end
    end

    def next_line(reader, deadline)
      left = deadline - Process.clock_gettime(Process::CLOCK_MONOTONIC)
      return :late unless left.positive? && reader.wait_readable(left)

      reader.gets
    end

    def timed_out(pid)
      end_process(pid)
      "This took longer than #{@limits.seconds} s and was stopped. Try a shorter recording."
    end

    def end_process(pid)
      Process.kill(:KILL, -pid)
    rescue Errno::ESRCH
      # It ended by itself in the meantime.
    end

    def ending(status)
      return "The work stopped unexpectedly (signal #{status.termsig}). Try again." if status.signaled?

      "The work stopped unexpectedly (exit code #{status.exitstatus}). Try again."
    end
  end
end
