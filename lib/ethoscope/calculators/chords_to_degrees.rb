# frozen_string_literal: true

module Ethoscope
  module Calculators
    # Chords as degrees of a key, with what each does in it. Numerals count from the major scale of the tonic (Kostka & Payne, "Tonal Harmony", ch. 3
    # and 16).
    class ChordsToDegrees < Calculator
      ID = "chords_to_degrees"
      GROUP = "pitch"
      NAME = "Chords as degrees"
      SENTENCE = "The chords {chords} in {key}."
      BLANKS = [Blank.new(name: :chords, about: "Chords", kind: :chords, usual: "Fm7 Db Ab Eb"),
                Blank.new(name: :key, about: "Key", kind: :key, usual: "F minor")].freeze

      private

      def work
        chords = given[:chords]
        answer = Answer.start("Nothing is rounded.").line("Degrees", chords.map { |chord| chord.degree(given[:key]) || "N.C." }.join(" "))
        chords.each_with_index.reduce(answer) do |lines, (chord, i)|
          function = chord.function(given[:key], chords[i + 1]&.chord(given[:key]))
          chord.none? ? lines : lines.line(chord.to_s, chord.degree(given[:key]), [function&.kind, function&.of && "of #{Figures.signs(function.of)}"].compact.join(" "))
        end
      end
    end
  end
end
