# frozen_string_literal: true

module Ethoscope
  module Attempts
    # A song as if each of its bars began some beats later; its last bar is lost. The way is our own.
    class Late
      # @param prints [Prints]
      # @param beats [Integer] from 1, fewer than a bar has
      def initialize(prints, beats)
        @prints = prints
        @beats = beats
      end

      # @return [Integer] number of bars
      def size = @prints.size - 1

      # @return [Numo::DFloat] as {Prints#treble}; what falls between two halves is taken from both
      def treble = halves(@prints.treble)

      # @return [Numo::DFloat] as {Prints#bass}
      def bass = halves(@prints.bass)

      # @param piece [String]
      # @return [Numo::DFloat] as {Prints#strokes}
      def strokes(piece)
        rows = @prints.strokes(piece)
        steps = rows.shape[1]
        first = @beats * steps / @prints.meter.beats
        rows.flatten[first...(first + (size * steps))].reshape(size, steps)
      end

      # @return [Numo::DFloat] as {Prints#energy}
      def energy = @prints.energy[0...size]

      private

      def halves(rows)
        whole, part = (2.0 * @beats / @prints.meter.beats).divmod(1)
        flat = rows.reshape(rows.shape[0] * 2, 12)
        here, after = [whole, whole + 1].map { |first| flat[first.to_i...(first.to_i + (size * 2)), true] }
        ((here * (1 - part)) + (after * part)).reshape(size, 2, 12)
      end
    end
  end
end
