# frozen_string_literal: true

module Ethoscope
  module Layers
    # Reads the strongest high note of each half beat where one stands clear of the rest
    # (salience after Salamon & Gómez, "Melody extraction from polyphonic music signals", IEEE TASLP 2012; contour types after
    # Adams, "Melodic contour typology", Ethnomusicology 1976).
    class LeadLine
      # A line out of a mix is never surer than this.
      SUREST = 0.8
      LOWEST = 60
      HIGHEST = 96
      # A note stands clear when it is this many times as strong as the mean of the others.
      CLEAR = 9.0
      # A section has a lead when this share of its half beats has a clear note.
      ENOUGH = 0.35
      # Semitones between thirds of the section that count as a movement.
      MOVES = 2.0

      # @param notes [Harmony::NoteActivation] over half beats
      # @param grid [Rhythm::BeatGrid]
      def initialize(notes, grid)
        rows = notes.activation[true, (LOWEST - Harmony::NoteActivation::LOWEST)..(HIGHEST - Harmony::NoteActivation::LOWEST)].dup
        best = rows.max(axis: 1)
        rest = (rows.sum(axis: 1) - best) / (rows.shape[1] - 1)
        @clear = (best / (rest + 1e-6)).to_a
        @pitches = (rows.max_index(axis: 1) % rows.shape[1]).to_a.map { |place| place + LOWEST }
        @first = 2 * grid.pickup
        @bar = 2 * grid.meter.beats
      end

      # @param first_bar [Integer] from 1
      # @param bars [Integer]
      # @return [Lead, nil] nil where no line stands clear
      def between(first_bar, bars)
        halves = ((@first + ((first_bar - 1) * @bar))...(@first + ((first_bar - 1 + bars) * @bar))).to_a
        clear = halves.select { |half| @clear[half] && @clear[half] > CLEAR }
        return nil if clear.size < ENOUGH * halves.size

        pitches = clear.map { |half| @pitches[half] }
        sorted = pitches.sort
        Lead.new(first_bar:, bars:, low: sorted[sorted.size / 10], middle: sorted[sorted.size / 2], high: sorted[(sorted.size * 9 / 10).clamp(0, sorted.size - 1)],
          contour: contour(pitches), confidence: (clear.size / halves.size.to_f * SUREST).clamp(0.1, SUREST).round(2))
      end

      private

      def contour(pitches)
        a, b, c = pitches.each_slice((pitches.size / 3.0).ceil).map { |part| part.sum / part.size.to_f }
        return "level" if b.nil? || c.nil?

        moves = [b - a, c - b].map { |move| move.abs < MOVES ? 0 : (move <=> 0) }
        { [1, 1] => "rising", [0, 1] => "rising", [1, 0] => "rising", [-1, -1] => "falling", [0, -1] => "falling", [-1, 0] => "falling",
          [1, -1] => "arch", [-1, 1] => "valley" }.fetch(moves) { spread(pitches) < 4 ? "level" : "wavering" }
      end

      def spread(pitches)
        mean = pitches.sum / pitches.size.to_f
        Math.sqrt(pitches.sum { |pitch| (pitch - mean)**2 } / pitches.size)
      end
    end
  end
end
