# frozen_string_literal: true

module Ethoscope
  module Calculators
    # The notes of a key's scale, the chords on each degree, and its nearest relations (Kostka & Payne, "Tonal Harmony", ch. 3 and 4).
    class ScaleNotes < Calculator
      ID = "scale_notes"
      GROUP = "pitch"
      NAME = "Notes and chords of a key"
      SENTENCE = "The key {key}."
      BLANKS = [Blanks::KEY].freeze

      private

      def work
        answer = Answer.start("Nothing is rounded.").line("Notes", signs(key.scale)).line("Signature", signature)
        answer = (0..6).reduce(answer) do |lines, degree|
          seventh = chord(degree, 4)
          lines.line(seventh ? seventh.degree(key) : "Degree #{degree + 1}", [chord(degree, 3), seventh].compact.join(", "), signs(stacked(degree, 4)))
        end
        relative ? answer.line("Same notes", Figures.key(relative), "the relative key") : answer
      end

      def key = given[:key]

      def signs(notes) = Figures.signs(notes.map { |note| key.spell(note) }.join(" "))

      def signature
        count = key.signature
        return "no signs" if count.zero?

        "#{count.abs} #{count.positive? ? "sharp" : "flat"}#{"s" if count.abs > 1}"
      end

      def stacked(degree, size) = Array.new(size) { |i| key.scale[(degree + (2 * i)) % 7] }

      # The plainest chord of just these notes.
      def chord(degree, size)
        notes = stacked(degree, size)
        Harmony::ChordNames::SUFFIXES.map { |suffix| Harmony::ChordSymbol.parse(key.spell(notes.first) + suffix) }.find { |symbol| symbol.pitch_classes.sort == notes.sort }
      end

      # Of major and minor keys the other one with these notes.
      def relative
        %w[major minor].reject { |mode| mode == key.mode }.flat_map { |mode| (0..11).map { |tonic| Harmony::Key.new(pitch_class: tonic, mode:) } }
                       .find { |other| other.scale.sort == key.scale.sort }
      end
    end
  end
end
