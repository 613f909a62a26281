# frozen_string_literal: true

module Ethoscope
  module Signal
    # The long transform on a log-frequency axis that knows the recording's tuning: all that pitch measurements need, an
    # eighth of its size. The method is our own.
    class LogSpectra
      # Bins of a band begin and end this far inside its edges, so that none is counted twice.
      EDGE = 0.25

      # @return [Numo::SFloat] shape [frames, LogFrequency::BINS], magnitudes
      attr_reader :frames
      # @return [Float] frames per second
      attr_reader :rate

      # @param long_time [LongTime]
      # @param cents [Float] tuning offset of the recording
      # @return [LogSpectra]
      def self.of(long_time, cents)
        bank = LogFrequency.new(bin_width: long_time.bin_width, bins: LongTime::BINS, cents:)
        new(bank.map(long_time.magnitudes), long_time.rate)
      end

      # @param frames [Numo::SFloat] shape [frames, LogFrequency::BINS]
      # @param rate [Float] frames per second
      def initialize(frames, rate)
        @frames = frames
        @rate = rate
        freeze
      end

      # @return [Integer] number of frames
      def size = frames.shape[0]

      # @param times [Array<Float>] ascending, in seconds
      # @return [Numo::SFloat] shape [times - 1, bins], mean magnitudes between neighbouring times
      def means_between(times)
        sums = Numo::DFloat.zeros(size + 1, frames.shape[1])
        sums[1.., true] = Numo::DFloat.cast(frames).cumsum(0)
        edges = Numo::DFloat[*times] * rate
        first = Numo::Int32.cast((edges[0...-1] + EDGE).ceil).clip(0, size - 1)
        last = Numo::Int32.maximum(Numo::Int32.cast((edges[1..] - EDGE).floor).clip(0, size - 1), first) + 1
        Numo::SFloat.cast((sums[last, true] - sums[first, true]) / Numo::DFloat.cast(last - first).reshape(last.size, 1))
      end
    end
  end
end
