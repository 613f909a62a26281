# frozen_string_literal: true

module Ethoscope
  module Audio
    # Loudness after ITU-R BS.1770-4: K-weighted energy in overlapping blocks of 400 ms, gated at -70 LUFS and at
    # 10 LU under the mean of what is left; loudness range after EBU Tech 3342. Tests hold it against the meter in ffmpeg.
    class Loudness
      BLOCK_SECONDS = 0.4
      SHORT_TERM_SECONDS = 3.0
      ABSOLUTE_GATE = -70.0
      RELATIVE_GATE = -10.0
      RANGE_GATE = -20.0
      # The loudness range lies between these shares of all short-term values.
      RANGE_SHARES = [0.1, 0.95].freeze
      OFFSET = -0.691

      # @param field [SoundField]
      def initialize(field)
        @field = field
        @energy = field.weighted
      end

      # @return [Float, nil] integrated loudness in LUFS to 0.1; nil when nothing passes the gate
      def integrated
        kept = gated(means(BLOCK_SECONDS), RELATIVE_GATE)
        kept && level_of(kept.mean).round(1)
      end

      # @return [Float, nil] loudness range in LU to 0.1; nil when nothing passes the gate
      def range
        kept = gated(means(SHORT_TERM_SECONDS), RANGE_GATE)
        return nil unless kept

        levels = level(kept).sort
        low, high = RANGE_SHARES.map { |share| levels[((levels.size - 1) * share).round] }
        (high - low).round(1)
      end

      # @return [Numo::DFloat] LUFS over 3 s around each frame of the field, -70 at the least
      def short_term = level(Signal::Series.running_mean(@energy, (SHORT_TERM_SECONDS / @field.hop_seconds).round)).clip(ABSOLUTE_GATE, nil)

      # @return [Float] the loudest 3 s in LUFS to 0.1
      def loudest = level_of(means(SHORT_TERM_SECONDS).max).round(1)

      # @param from [Float] seconds
      # @param to [Float] seconds
      # @return [Float] ungated loudness of that stretch in LUFS, -70 at the least
      def between(from, to) = level_of(@energy[@field.frames(from, to)].mean)

      private

      def level_of(energy) = [OFFSET + (10 * Math.log10([energy, 1e-12].max)), ABSOLUTE_GATE].max

      def level(energies) = (Numo::NMath.log10(energies.clip(1e-12, nil)) * 10) + OFFSET

      # The energies that pass both gates, nil when none passes the first.
      def gated(energies, relative)
        loud = energies[(level(energies) > ABSOLUTE_GATE).where]
        loud.empty? ? nil : loud[(level(loud) > level_of(loud.mean) + relative).where]
      end

      # Means over so many seconds, one every frame: more overlap than the standard's 75 %, which changes nothing but the grain.
      def means(seconds)
        n = [(seconds / @field.hop_seconds).round, @energy.size].min
        sums = Numo::DFloat.zeros(@energy.size + 1)
        sums[1..] = @energy.cumsum
        (sums[n..] - sums[0..-(n + 1)]) / n
      end
    end
  end
end
