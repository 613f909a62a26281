# frozen_string_literal: true

module Ethoscope
  module Calculators
    # The notes of a chord, its inversions, and its other names. Spelled by thirds (Kostka & Payne, "Tonal Harmony", ch. 3).
    class ChordNotes < Calculator
      ID = "chord_notes"
      GROUP = "pitch"
      NAME = "Notes and inversions of a chord"
      SENTENCE = "The chord {chord} in {key}."
      BLANKS = [Blank.new(name: :chord, about: "Chord", kind: :chord, usual: "Fm9"), Blanks::KEY].freeze
      MIDDLE_C = 60

      private

      def work
        chord = given[:chord]
        raise Errors::Unfit, "N.C. has no notes" if chord.none?

        answer = Answer.start("Nothing is rounded.")
                       .line("Notes", Figures.signs(chord.notes.join(" ")))
                       .line("From middle C", pitches(chord.pitches(MIDDLE_C)))
        answer = inversions(chord).each_with_index.reduce(answer) { |lines, (pitches, i)| lines.line("Inversion #{i + 1}", pitches(pitches), "over #{pitches(pitches.first(1))}") }
        rivals = Harmony::ChordNames.rivals(chord, given[:key])
        answer = answer.line("Also called", rivals.join(", ")) unless rivals.empty?
        answer.line("Degree in #{Figures.key(given[:key])}", chord.degree(given[:key]))
      end

      # The lowest note goes up an octave, as often as there are others.
      def inversions(chord)
        pitches = chord.pitches(MIDDLE_C)
        (1...[pitches.size, 4].min).map { |count| pitches.drop(count) + pitches.first(count).map { |pitch| pitch + (12 * (((pitches.last - pitch) / 12) + 1)) } }
      end

      def pitches(pitches) = pitches.map { |pitch| Figures.note(pitch, given[:key]) }.join(" ")
    end
  end
end
