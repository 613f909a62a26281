# frozen_string_literal: true

module Ethoscope
  module Audio
    # How energy spreads over third octaves. The method is our own.
    class Balance
      # Bands quieter than this under the loudest are not told apart.
      FLOOR_DB = -80.0

      # @param field [SoundField]
      def initialize(field)
        @field = field
      end

      # @return [Array<Float>] dB of each of SoundField::CENTRES over the whole recording, the loudest band being 0
      def long_term = decibels(power(0..-1))

      # @param from [Float] seconds
      # @param to [Float] seconds
      # @return [Array<Float>] dB of each band in that stretch above the recording's own mean spectrum, both at the same total energy
      def against_mean(from, to)
        own = decibels(power(@field.frames(from, to)), normalized: true)
        mean = decibels(power(0..-1), normalized: true)
        own.zip(mean).map { |a, b| (a - b).round(1) }
      end

      private

      def power(frames) = Numo::DFloat.cast(@field.left[frames, true] + @field.right[frames, true]).mean(axis: 0)

      def decibels(power, normalized: false)
        reference = [normalized ? power.sum : power.max, 1e-12].max
        (Numo::NMath.log10((power / reference).clip(1e-8, nil)) * 10).to_a.map { |value| value.clamp(FLOOR_DB, 0.0).round(1) }
      end
    end
  end
end
