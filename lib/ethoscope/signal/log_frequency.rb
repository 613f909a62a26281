# frozen_string_literal: true

module Ethoscope
  module Signal
    # Maps linear spectra onto bins a third of a semitone apart, from A0 up, shifted by a tuning offset
    # (Mauch & Dixon, "Approximate note transcription", ISMIR 2010).
    class LogFrequency
      BINS_PER_OCTAVE = 36
      BINS = 36 * 7
      LOWEST = 27.5

      # @return [Numo::SFloat] shape [linear bins, BINS]
      attr_reader :matrix

      # @param bin_width [Float] Hz between two linear bins
      # @param bins [Integer] number of linear bins
      # @param cents [Float] tuning offset of the recording
      def initialize(bin_width:, bins:, cents: 0.0)
        @matrix = Numo::SFloat.zeros(bins, BINS)
        step = 2**(1.0 / BINS_PER_OCTAVE)
        frequencies = Numo::DFloat.new(bins).seq * bin_width
        BINS.times do |k|
          centre = self.class.frequency(k, cents)
          # Low bins are narrower than the transform resolves: there the triangle is as wide as the transform's grid.
          reach = [centre * (step - 1), bin_width].max
          weight = (1 - ((frequencies - centre).abs / reach)).clip(0, nil)
          sum = weight.sum
          @matrix[true, k] = weight / sum if sum.positive?
        end
        freeze
      end

      # @param bin [Integer] log-frequency bin; bin 1 is the centre of A0
      # @param cents [Float] tuning offset
      # @return [Float] Hz
      def self.frequency(bin, cents = 0.0) = LOWEST * (2**(((bin - 1) / BINS_PER_OCTAVE.to_f) + (cents / 1200.0)))

      # @param magnitudes [Numo::SFloat] shape [rows, linear bins]
      # @return [Numo::SFloat] shape [rows, BINS]
      def map(magnitudes) = Numo::Linalg.dot(magnitudes, matrix)
    end
  end
end
