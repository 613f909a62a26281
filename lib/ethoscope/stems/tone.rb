# frozen_string_literal: true

module Ethoscope
  module Stems
    # Which frequencies a stem holds. The method is our own.
    class Tone
      # What lies outside these shares of the energy does not matter.
      LOWEST_SHARE = 0.005
      HIGHEST_SHARE = 0.995

      # @param features [Engine::Features] of the stem
      # @param grid [Rhythm::BeatGrid] in the stem's time
      def initialize(features, grid)
        @field = features.field
        @grid = grid
        @power = @field.left + @field.right
        @centres = Numo::DFloat[*Audio::SoundField::CENTRES]
      end

      # @return [Array(Integer, Integer)] lowest and highest frequency that matters, in Hz
      def bandwidth
        shares = Numo::DFloat.cast(@power.mean(axis: 0)).cumsum
        shares /= [shares[-1], 1e-12].max
        low = (shares > LOWEST_SHARE).where[0] || 0
        high = (shares >= HIGHEST_SHARE).where[0] || -1
        [@centres[low].round, @centres[high].round]
      end

      # @return [Integer] centre of gravity of the spectrum on the log frequency axis, in Hz
      def brightness = centre(@power.mean(axis: 0))

      # @return [Array<Integer, nil>] the same by bar; nil where it is silent
      def brightness_by_bar
        quiet = @power.sum(axis: 1).max * 1e-3
        @grid.bar_edges.each_cons(2).map do |from, to|
          bands = @power[@field.frames(from, to), true].mean(axis: 0)
          bands.sum > quiet && to.positive? ? centre(bands) : nil
        end
      end

      private

      def centre(bands)
        weights = Numo::NMath.sqrt(Numo::DFloat.cast(bands))
        (2**((Numo::NMath.log2(@centres) * weights).sum / [weights.sum, 1e-12].max)).round
      end
    end
  end
end
