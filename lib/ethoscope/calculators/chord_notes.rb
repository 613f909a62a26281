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
                       .line("From middle C", words(chord.spelled_pitches(MIDDLE_C)), chord.bass ? "over #{Figures.signs(chord.bass)}" : "")
        answer = inversions(chord).each_with_index.reduce(answer) { |lines, (notes, i)| lines.line("Inversion #{i + 1}", words(notes), "over #{words(notes.first(1))}") }
        rivals = Harmony::ChordNames.rivals(chord, given[:key])
        answer = answer.line("Also called", rivals.join(", ")) unless rivals.empty?
        answer.line("Degree in #{Figures.key(given[:key])}", chord.degree(given[:key]))
      end

      # The lowest note goes up an octave, as often as there are others; a bass that is written stands for itself.
      def inversions(chord)
        notes = Harmony::ChordSymbol.new(root: chord.root, intervals: chord.intervals, bass: nil).spelled_pitches(MIDDLE_C)
        (1...[notes.size, 4].min).map do |count|
          notes.drop(count) + notes.first(count).map { |pitch, name| [pitch + (12 * (((notes.last.first - pitch) / 12) + 1)), name] }
        end
      end

      def words(notes) = notes.map { |pitch, name| Figures.signs(Harmony::NoteName.named(pitch, name)) }.join(" ")
    end
  end
end
