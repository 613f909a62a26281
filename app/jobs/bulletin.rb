# frozen_string_literal: true

module Jobs
  # Tells waiting threads that something about the analyses changed.
  class Bulletin
    def initialize
      @mutex = Mutex.new
      @changed = ConditionVariable.new
      # Another one than before a restart, so that pages which waited through it ask anew.
      @edition = Time.now.to_i
    end

    # @return [Integer] grows with each change
    def edition = @mutex.synchronize { @edition }

    # Something changed.
    def publish
      @mutex.synchronize do
        @edition += 1
        @changed.broadcast
      end
    end

    # @param seen [Integer] the edition that the caller knows
    # @param seconds [Numeric] how long to wait at the most
    # @return [Integer] the newest edition, the same when nothing changed in time
    def wait(seen, seconds)
      @mutex.synchronize do
        @changed.wait(@mutex, seconds) if @edition == seen
        @edition
      end
    end
  end
end
