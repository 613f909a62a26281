# frozen_string_literal: true

module Ethoscope
  module Calculators
    # Degrees as chords of any key. Numerals count from the major scale of the tonic; small ones are minor (Kostka & Payne, "Tonal Harmony", ch. 3).
    class DegreesToChords < Calculator
      ID = "degrees_to_chords"
      GROUP = "pitch"
      NAME = "Degrees as chords"
      SENTENCE = "The degrees {degrees} in {key}."
      BLANKS = [Blank.new(name: :degrees, about: "Degrees", kind: :degrees, usual: "i7 bVImaj7 bIII bVII"), Blanks::KEY].freeze
      NUMERAL = /\A([b#♭♯]?)(VII|VI|IV|V|III|II|I|vii|vi|iv|v|iii|ii|i)(.*)\z/
      STEPS = { "I" => 0, "II" => 2, "III" => 4, "IV" => 5, "V" => 7, "VI" => 9, "VII" => 11 }.freeze
      SIGNS = { "b" => -1, "♭" => -1, "#" => 1, "♯" => 1, "" => 0 }.freeze
      MARKS = { "°7" => "dim7", "°" => "dim", "ø7" => "m7b5", "ø" => "m7b5", "+" => "aug" }.freeze

      # @param text [String] such as "♭VImaj7"
      # @param key [Harmony::Key]
      # @return [Harmony::ChordSymbol]
      # @raise [Errors::Unfit] when it is no degree
      def self.chord(text, key)
        match = NUMERAL.match(text) or raise Errors::Unfit, "“#{text[0, 20]}” is no degree; write such as i7, bVI or V7"
        root = key.spell((key.pitch_class + STEPS.fetch(match[2].upcase) + SIGNS.fetch(match[1])) % 12)
        small = match[2] == match[2].downcase
        Harmony::ChordSymbol.parse(root + suffix(match[3], small))
      end

      # What follows the numeral; marks of diminished and augmented chords say their thirds themselves.
      def self.suffix(text, small)
        mark = MARKS.keys.find { |sign| text.start_with?(sign) }
        return MARKS[mark] + text.delete_prefix(mark) if mark

        small ? "m#{text}".sub(/\Am(maj\d*)\z/, 'm(\1)') : text
      end
      private_class_method :suffix

      private

      def work
        chords = given[:degrees].map { |text| self.class.chord(text, given[:key]) }
        given[:degrees].zip(chords).reduce(Answer.start("Nothing is rounded.")
          .line("Chords", chords.join(" "))) do |answer, (degree, chord)|
          answer.line(Figures.signs(degree.sub(/\A[b#]/) { |sign| sign.tr("b#", "♭♯") }), chord.to_s, Figures.signs(chord.notes.join(" ")))
        end
      end
    end
  end
end
