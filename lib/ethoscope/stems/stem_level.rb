# frozen_string_literal: true

module Ethoscope
  module Stems
    # How loud a stem is, beat by beat and bar by bar. The method is our own.
    class StemLevel
      # Hertz in which a stem sounds.
      AUDIBLE = (30.0..12_000.0)
      # What rings over from the step before and into the next is left out.
      MARGIN_SECONDS = [0.01, 0.04].freeze
      # A step may begin this little before the recording.
      EARLY_SECONDS = 0.1
      # A beat sounds when its loudest moment lies no more than this far under the stem's loud moments, in dB.
      SOUNDS = -34.0
      # Frames below this share of the loudest are silence.
      HEARD = 0.05
      # The moments that count as loud.
      LOUD = 0.95
      QUIETEST = -90.0

      # @param features [Engine::Features] of the stem
      # @param grid [Rhythm::BeatGrid] in the stem's time
      def initialize(features, grid)
        @features = features
        @grid = grid
        @level = Signal::Series.running_max(features.short.level(AUDIBLE), 1)
        heard = @level[(@level > @level.max * 1e-4).where]
        @loud = heard.empty? ? 1e-9 : [Signal::Series.percentile(heard, LOUD), 1e-9].max
      end

      # @return [Array<Float>] for each beat of the whole bars how much of it sounds, 0 to 1
      def beats
        floor = @loud * (10**(SOUNDS / 20))
        edges = @grid.edges[@grid.pickup..(@grid.pickup + (@grid.bars * @grid.meter.beats))]
        edges.each_cons(2).map do |from, to|
          frames = @level[Signal::Series.frames(from + MARGIN_SECONDS.first, to - MARGIN_SECONDS.last, @features.short.rate, @features.short.size)]
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
        loudest = energies.select { |energy| energy > energies.max * HEARD }
        loudest.empty? ? 0.0 : (20 * Math.log10(@features.peak / Math.sqrt([loudest.sum / loudest.size / 2, 1e-12].max))).round(1)
      end

      private

      def inside?(seconds) = seconds > -EARLY_SECONDS && seconds < @features.duration
    end
  end
end
