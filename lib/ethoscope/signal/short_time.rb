# frozen_string_literal: true

module Ethoscope
  module Signal
    # The short transform that every rhythm and layer measurement shares: energy in log-spaced bands, 86 times a second.
    #
    # Ten bands an octave after Böck & Widmer, "Maximum filter vibrato suppression for onset detection" (DAFx 2013).
    class ShortTime
      WINDOW = 1024
      HOP = 256
      BANDS_PER_OCTAVE = 10
      LOWEST = 32.0

      # @return [Numo::SFloat] shape [frames, bands], mean magnitude in each band
      attr_reader :bands
      # @return [Array<Float>] centre of each band in Hz
      attr_reader :centres
      # @return [Float] frames per second
      attr_reader :rate

      # @param samples [Numo::SFloat] mono, shape [n]
      # @param sample_rate [Numeric] in Hz
      # @return [ShortTime]
      def self.of(samples, sample_rate)
        edges = band_edges(sample_rate.to_f / WINDOW)
        new(measure(samples, edges), edges.map { |from, to| (from + to - 1) / 2.0 * sample_rate / WINDOW }, sample_rate.to_f / HOP)
      end

      # @param bands [Numo::SFloat] shape [frames, bands]
      # @param centres [Array<Float>] Hz
      # @param rate [Float] frames per second
      def initialize(bands, centres, rate)
        @bands = bands
        @centres = centres.freeze
        @rate = rate
        freeze
      end

      # @return [Integer] number of frames
      def size = bands.shape[0]

      # @param range [Range<Float>] Hz
      # @return [Array<Integer>] the bands whose centre lies in the range
      def bands_in(range) = centres.each_index.select { |i| range.cover?(centres[i]) }

      # @param range [Range<Float>] Hz
      # @return [Numo::SFloat] shape [frames], summed magnitude of those bands
      def level(range) = Numo::Linalg.dot(bands, among(bands_in(range)))

      # @param count [Integer] most registers
      # @return [Array<Array<Integer>>] the bands in runs of equal length, low to high
      def registers(count) = (0...bands.shape[1]).each_slice((bands.shape[1] / count.to_f).ceil).to_a

      # @param runs [Array<Array<Integer>>] groups of bands
      # @return [Numo::SFloat] shape [bands, groups]: a product with it takes the mean over each group
      def averaging(runs) = Numo::SFloat.vstack(runs.map { |run| among(run) / run.size }).transpose.dup

      # 1 for each of those bands, 0 for the others.
      def among(indices) = Numo::SFloat.zeros(bands.shape[1]).tap { |mask| mask[indices] = 1 unless indices.empty? }
      private :among

      # Neighbouring bands under 300 Hz would share bins; they are merged until each has one of its own.
      def self.band_edges(bin_width)
        top = (WINDOW / 2) + 1
        edges = []
        from = (LOWEST / bin_width).round.clamp(1, top)
        frequency = LOWEST
        while from < top
          frequency *= 2**(1.0 / BANDS_PER_OCTAVE)
          to = [(frequency / bin_width).round, top].min
          next if to <= from

          edges << [from, to]
          from = to
        end
        edges
      end
      private_class_method :band_edges

      def self.measure(samples, edges)
        window = Frames.hann(WINDOW)
        bank = Numo::SFloat.zeros((WINDOW / 2) + 1, edges.size)
        edges.each_with_index { |(from, to), i| bank[from...to, i] = 1.0 / (to - from) }
        Frames.power_table(samples, window, HOP, edges.size) { |power| Numo::NMath.sqrt(Numo::Linalg.dot(power, bank)) }
      end
      private_class_method :measure
    end
  end
end
