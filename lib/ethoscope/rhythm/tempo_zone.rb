# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # Tempos folded by octaves to where they lie closest together: one groove is called 75 by one person and 150 by another. The method is our own.
    class TempoZone
      # Tempos that differ by less are the same.
      SAME_BPM = 0.01
      # What a song that has to be folded counts against a centre, in octaves.
      FOLDING = 0.02
      # What an octave from a comfortable pace counts against it.
      DISCOMFORT = 0.05
      # Where the centre of a groove may lie, in BPM.
      CENTRES = (50..150)
      # Of more songs centres within the same BPM are one.
      MANY = 40
      # Folded tempos outside this ratio to the middle stand apart.
      NEAR = 1.15
      COMFORTABLE = 96.0

      # One song's tempo as counted and as folded; apart is true for an outlier.
      Point = Value.of(:counted, :folded, :apart)

      # @param tempos [Array<Float, nil>] in BPM, nil where no pulse was found
      def initialize(tempos)
        @tempos = tempos
        @centre = best_centre
      end

      # @return [Array<Point, nil>] in the order of the songs
      def points
        @tempos.map do |tempo|
          next unless tempo

          folded = fold(tempo, @centre).round(2)
          Point.new(counted: tempo, folded:, apart: [folded / @centre, @centre / folded].max > NEAR)
        end
      end

      # @return [Array(Float, Float), nil] slowest and fastest of those that belong together
      def range
        together = points.compact.reject(&:apart).map(&:folded)
        together.empty? ? nil : together.minmax
      end

      # @return [Float, nil] the middle of those that belong together
      def middle
        Signal::Middle.of(points.compact.reject(&:apart).map(&:folded))
      end

      private

      def fold(tempo, centre)
        tempo *= 2 while tempo < centre / Math.sqrt(2)
        tempo /= 2 while tempo >= centre * Math.sqrt(2)
        tempo
      end

      # The centre with the smallest typical distance; of equals the one nearest a comfortable pace.
      def best_centre
        known = @tempos.compact
        return COMFORTABLE if known.empty?

        known.flat_map do |tempo|
          [tempo / 2, tempo, tempo * 2]
        end.grep(CENTRES).uniq { |centre| known.size > MANY ? centre.round : centre }.min_by do |centre|
          distances = known.map { |tempo| Math.log2(fold(tempo, centre) / centre).abs }
          changed = known.count { |tempo| (fold(tempo, centre) - tempo).abs > SAME_BPM }
          [Signal::Middle.of(distances) + (FOLDING * changed) + (DISCOMFORT * Math.log2(centre / COMFORTABLE).abs), centre]
        end || known.first
      end
    end
  end
end
