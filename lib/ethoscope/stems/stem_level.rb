# frozen_string_literal: true

module Ethoscope
  module Stems
    # How loud a stem is, beat by beat and bar by bar.
    class StemLevel
      # A beat sounds when its loudest moment lies no more than this far under the stem's loud moments, in dB.
      SOUNDS = -34.0
      # The moments that count as loud.
      LOUD = 0.95
      QUIETEST = -90.0

      # @param features [Engine::Features] of the stem
      # @param grid [Rhythm::BeatGrid] in the stem's time
      def initialize(features, grid)
        @features = features
        @grid = grid
        @level = Signal::Series.running_max(features.short.level(30.0..12_000.0), 1)
        heard = @level[(@level > @level.max * 1e-4).where]
        @loud = heard.empty? ? 1e-9 : [Signal::Series.percentile(heard, LOUD), 1e-9].max
      end

      # @return [Array<Float>] for each beat of the whole bars how much of it sounds, 0 to 1
      def beats
        floor = @loud * (10**(SOUNDS / 20))
        edges = @grid.edges[@grid.pickup..(@grid.pickup + (@grid.bars * @grid.meter.beats))]
        edges.each_cons(2).map do |from, to|
          frames = @level[Signal::Series.frames(from + 0.01, to - 0.04, @features.short.rate, @features.short.size)]
          inside?(from) ? ((frames > floor).count_true / frames.size.to_f).round(2) : 0.0
        end
      end

      # @return [Array<Float>] mean square of each bar, both channels
      def energies
        field = @features.field
        power = (field.left + field.right).sum(axis: 1)
        @grid.bar_edges.each_cons(2).map { |from, to| inside?(from) ? power[field.frames(from, to)].mean : 0.0 }
      end

      # @return [Array<Float>] level of each bar in dB under full scale
      def levels = energies.map { |energy| energy.positive? ? [10 * Math.log10(energy), QUIETEST].max.round(1) : QUIETEST }

      # @return [Float] how far the highest peak stands over the mean level while it plays, in dB
      def crest
        loudest = energies.select { |energy| energy > energies.max * 0.05 }
        loudest.empty? ? 0.0 : (20 * Math.log10(@features.peak / Math.sqrt([loudest.sum / loudest.size / 2, 1e-12].max))).round(1)
      end

      private

      def inside?(seconds) = seconds > -0.1 && seconds < @features.duration
    end
  end
end
