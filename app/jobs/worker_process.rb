# frozen_string_literal: true

require "io/wait"
require "json"

module Jobs
  # One worker process from its start to its end: hands on what it says, and ends it, with whatever it started, when its time is over or
  # nobody waits for it any more.
  class WorkerProcess
    # How long it is left alone before somebody asks whether it is still wanted.
    LOOK_SECONDS = 0.5

    # @param command [Array<String>]
    # @param limits [Limits]
    # @param lifeline [IO] the reading end of a pipe that this application holds open: a worker ends when it closes
    def initialize(command, limits, lifeline)
      @command = command
      @limits = limits
      @lifeline = lifeline
    end

    # Runs it to its end.
    #
    # @yieldparam message [Hash, nil] a line that it said, nil when it said nothing for a while
    # @yieldreturn [Boolean] false when it is no longer wanted
    # @return [String, Symbol, nil] why it failed, :unwanted, or nil when it ended well
    def run(&)
      reader, writer = IO.pipe
      @pid = Process.spawn(*@command, out: writer, in: @lifeline, pgroup: true, rlimit_as: @limits.bytes, rlimit_cpu: @limits.seconds.ceil)
      writer.close
      said = follow(reader, &)
      said || ending(status)
    ensure
      kill
      status if @pid
      [reader, writer].compact.each(&:close)
    end

    # Ends it with all that it started, whatever it is at; {#run} comes back then.
    def kill
      Process.kill(:KILL, -@pid) if @pid && @status.nil?
    rescue Errno::ESRCH
      # It ended by itself in the meantime.
    end

    private

    # nil when it closed its end, as it does when it is done.
    def follow(reader)
      deadline = now + @limits.seconds
      loop do
        line = next_line(reader, deadline)
        return "This took longer than #{@limits.seconds} s and was stopped. Try a shorter recording." if line == :late
        return nil if line.nil?

        message = message_in(line)
        return message[:error] if message&.fetch(:error, nil)
        return :unwanted unless yield(message)
      end
    end

    def next_line(reader, deadline)
      left = deadline - now
      return :late unless left.positive?
      return :quiet unless reader.wait_readable([left, LOOK_SECONDS].min)

      reader.gets
    end

    # nil for silence, and for half a line of a worker that was ended while it spoke.
    def message_in(line)
      line == :quiet ? nil : JSON.parse(line, symbolize_names: true)
    rescue JSON::ParserError
      nil
    end

    # Waits for its end.
    def status = @status ||= Process.wait2(@pid).last

    def ending(end_of_it)
      return nil if end_of_it.success?
      return "The work stopped unexpectedly (signal #{end_of_it.termsig}). Try again." if end_of_it.signaled?

      "The work stopped unexpectedly (exit code #{end_of_it.exitstatus}). Try again."
    end

    def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
  end
end
