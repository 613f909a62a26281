# frozen_string_literal: true

module Store
  # Songs of which something was said since they were measured last. Nobody who says something waits for that: it is done when a song has been left alone
  # for a moment, by whoever has time.
  class Unmeasured
    # For so long a song must have been left alone.
    QUIET_SECONDS = 1.0

    def initialize
      @said = {}
      @mutex = Mutex.new
    end

    # Something was said of a song.
    #
    # @param reference_id [Integer]
    def note(reference_id) = @mutex.synchronize { @said[reference_id] = clock }

    # @param quiet [Numeric] seconds for which they must have been left alone
    # @return [Array<Integer>] references that are to be measured now; they are not handed out again
    def take(quiet: QUIET_SECONDS)
      @mutex.synchronize do
        due = @said.select { |_, at| clock - at >= quiet }.keys
        due.each { |id| @said.delete(id) }
      end
    end

    private

    def clock = Process.clock_gettime(Process::CLOCK_MONOTONIC)
  end
end
