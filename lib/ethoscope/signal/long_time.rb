# frozen_string_literal: true

module Ethoscope
  module Signal
    # The long transform that every pitch measurement shares: magnitudes up to 5.5 kHz, 2.7 Hz apart, 10.8 times a second. The method is our own.
    class LongTime
      WINDOW = 8192
      HOP = 2048
      BINS = 2048

      # @return [Numo::SFloat] shape [frames, BINS], magnitudes
      attr_reader :magnitudes
      # @return [Float] frames per second
      attr_reader :rate
      # @return [Float] Hz between two bins
      attr_reader :bin_width

      # @param samples [Numo::SFloat] mono, shape [n]
      # @param sample_rate [Numeric] in Hz
      def initialize(samples, sample_rate)
        @rate = sample_rate.to_f / HOP
        @bin_width = sample_rate.to_f / WINDOW
        window = Frames.hann(WINDOW) * (2.0 / WINDOW)
        @magnitudes = Frames.power_table(samples, window, HOP, BINS) { |power| Numo::NMath.sqrt(power[true, 0...BINS].dup) }
        freeze
      end

      # @return [Integer] number of frames
      def size = magnitudes.shape[0]
    end
  end
end
