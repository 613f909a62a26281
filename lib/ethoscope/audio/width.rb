# frozen_string_literal: true

module Ethoscope
  module Audio
    # How wide the stereo image is: the share of the side signal in all energy, 0 for mono, 0.5 for unrelated channels,
    # towards 1 for channels in opposite phase (mid/side analysis).
    class Width
      # @param recording [Recording]
      def initialize(recording)
        @rate = recording.rate
        if recording.stereo?
          @mid = cumulative_energy(recording.middle)
          @side = cumulative_energy(recording.side)
        else
          @side = nil
        end
      end

      # @param from [Float] seconds
      # @param to [Float] seconds
      # @return [Float] side / (mid + side) energy of that stretch, 0.0 to 1.0
      def between(from, to)
        return 0.0 unless @side

        mid = span(@mid, from, to)
        side = span(@side, from, to)
        (mid + side).positive? ? (side / (mid + side)) : 0.0
      end

      private

      STEP = 441
      private_constant :STEP

      # Energy is summed in steps of 10 ms, which keeps the table small.
      def cumulative_energy(samples)
        steps = samples.size / STEP
        energy = Numo::DFloat.cast((samples[0...(steps * STEP)].reshape(steps, STEP)**2).sum(axis: 1))
        Numo::DFloat.zeros(1).append(energy.cumsum)
      end

      def span(table, from, to)
        first = (from * @rate / STEP).round.clamp(0, table.size - 1)
        last = (to * @rate / STEP).round.clamp(first, table.size - 1)
        table[last] - table[first]
      end
    end
  end
end
