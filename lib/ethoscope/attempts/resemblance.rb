# frozen_string_literal: true

module Ethoscope
  module Attempts
    # How alike each bar of one song is to each bar of another: in harmony as that lies after a transposition, in drum strokes, and in level
    # (cross-similarity after Serrà, Gómez, Herrera & Serra, "Chroma binary similarity and local alignment applied to cover song identification",
    # IEEE TASLP 2008).
    class Resemblance
      PIECES = %w[kick snare hats].freeze
      # What counts how much.
      WEIGHTS = { harmony: 0.6, strokes: 0.25, level: 0.15 }.freeze
      # How much of the harmony is what sounds over the bass, and what the bass.
      SHARES = { treble: 0.7, bass: 0.3 }.freeze
      # Levels this many LU apart have nothing in common.
      FAR = 16.0
      # Silent rows are like nothing, and divide nothing.
      TINY = 1e-6

      # @param reference [Prints]
      # @param attempt [Prints]
      def initialize(reference, attempt)
        @reference = reference
        @attempt = attempt
      end

      # @return [Array<Integer>] semitones, -5 to 6, by which the attempt may lie higher: those first whose harmony fits best over a straight run of bars
      def shifts = (-5..6).sort_by { |shift| [-straightest(harmony(shift)), shift.abs] }

      # @param shift [Integer] semitones by which the attempt lies higher
      # @return [Numo::DFloat] shape [bars of the reference, bars of the attempt], about 0 to 1
      def matrix(shift)
        (harmony(shift) * WEIGHTS[:harmony]) + (strokes * WEIGHTS[:strokes]) + (level * WEIGHTS[:level])
      end

      # @param shift [Integer]
      # @return [Numo::DFloat] shape [bars, bars], -1 to 1
      def harmony(shift)
        %i[treble bass].sum do |part|
          one = unit(centred(@reference.public_send(part)), @reference)
          other = unit(centred(rotated(@attempt.public_send(part), -shift)), @attempt)
          Numo::Linalg.dot(one, other.transpose) * SHARES.fetch(part)
        end
      end

      private

      def rotated(chroma, by) = chroma[true, true, Array.new(12) { |i| (i - by) % 12 }]

      def centred(chroma) = chroma - chroma.mean(axis: 2, keepdims: true)

      def unit(rows, prints)
        flat = rows.reshape(prints.size, rows.size / prints.size)
        flat / Numo::NMath.sqrt((flat**2).sum(axis: 1, keepdims: true)).clip(TINY, nil)
      end

      def strokes
        one, other = [@reference, @attempt].map { |prints| Numo::DFloat.hstack(PIECES.map { |piece| prints.strokes(piece) }) }
        return Numo::DFloat.ones(@reference.size, @attempt.size) * 0.5 unless one.shape[1] == other.shape[1]

        energy = (one**2).sum(axis: 1).reshape(one.shape[0], 1) + (other**2).sum(axis: 1).reshape(1, other.shape[0])
        ((Numo::Linalg.dot(one, other.transpose) * 2) + 1) / (energy + 1)
      end

      def level
        apart = (@reference.energy.reshape(@reference.size, 1) - @attempt.energy.reshape(1, @attempt.size)).abs
        (1 - (apart / FAR)).clip(0, 1)
      end

      # The best mean of any diagonal, shorter ones counting less.
      def straightest(matrix)
        rows, columns = matrix.shape
        least = [rows, columns].min
        ((1 - rows)..(columns - 1)).map do |lag|
          first = [-lag, 0].max
          size = [rows, columns - lag].min - first
          places = (first...(first + size)).to_a
          matrix.flatten[places.map { |row| (row * columns) + row + lag }].sum / least
        end.max
      end
    end
  end
end
