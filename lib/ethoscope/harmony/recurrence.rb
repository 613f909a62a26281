# frozen_string_literal: true

module Ethoscope
  module Harmony
    # Lets bars that sound like each other tell each other's chords: of every half beat the belief is averaged with that of the same place in bars whose
    # neighbourhood has the same notes (Mauch, Noland & Dixon, "Using musical structure to enhance automatic chord transcription", ISMIR 2009, with likeness
    # bar by bar in the place of sections).
    class Recurrence
      # Bars around a bar that are compared with it.
      AROUND = (-1..2)
      # Bars less alike than this tell nothing of each other.
      LEAST = 0.8
      # How much each of the others counts beside the bar itself, where it is quite the same.
      OTHERS = 1.5

      # @param harmony [Numo::DFloat] shape [bars, beats * 12], rows of length one, see {Form::BarFeatures}
      # @param first [Integer] half beats before the first whole bar
      # @param halves [Integer] half beats in a bar
      def initialize(harmony, first, halves)
        @harmony = harmony
        @first = first
        @halves = halves
      end

      # @param belief [Numo::DFloat] shape [half beats, states], natural logarithms
      # @return [Numo::DFloat] the same, with what the others say
      def spread(belief)
        bars = @harmony.shape[0]
        range = @first...(@first + (bars * @halves))
        inside = belief[range, true].dup.reshape(bars, @halves * belief.shape[1])
        weights = weights(bars)
        told = (inside + Numo::Linalg.dot(weights, inside)) / (weights.sum(axis: 1, keepdims: true) + 1)
        belief.dup.tap { |out| out[range, true] = told.reshape(range.size, belief.shape[1]) }
      end

      private

      # Shape [bars, bars].
      def weights(bars)
        alike = Numo::Linalg.dot(@harmony, @harmony.transpose.dup)
        sum, count = [alike, alike.new_ones].map { |table| AROUND.sum { |shift| moved(table, shift, bars) } }
        weights = ((sum / count) - LEAST).clip(0, nil) / (1 - LEAST) * OTHERS
        weights[weights.diag_indices] = 0
        weights
      end

      # Each cell of the table its neighbour along the diagonal; 0 past the edge.
      def moved(table, shift, bars)
        out = table.new_zeros
        return out if shift.abs >= bars

        into = shift.negative? ? (-shift...bars) : (0...(bars - shift))
        from = shift.negative? ? (0...(bars + shift)) : (shift...bars)
        out[into, into] = table[from, from]
        out
      end
    end
  end
end
