# frozen_string_literal: true

module Jobs
  # What one worker may use.
  class Limits
    # @return [Integer] workers at a time
    attr_reader :workers
    # @return [Numeric] seconds of clock time for one analysis
    attr_reader :seconds
    # @return [Integer] bytes of address space
    attr_reader :bytes

    # @param workers [Integer]
    # @param seconds [Numeric]
    # @param bytes [Integer]
    def initialize(workers: 2, seconds: 300, bytes: 4 << 30)
      @workers = workers
      @seconds = seconds
      @bytes = bytes
      freeze
    end
  end
end
