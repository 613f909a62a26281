# frozen_string_literal: true

module Ethoscope
  module Calculators
    # Which tuning of a guitar holds the most of a set of chords on open strings. Tunings by their common names, strings from the lowest. The way is our own.
    class GuitarTuning < Calculator
      ID = "guitar_tuning"
      GROUP = "pitch"
      NAME = "Guitar tuning for a set of chords"
      SENTENCE = "The chords {chords} on open strings."
      BLANKS = [Blank.new(name: :chords, about: "Chords", kind: :chords, usual: "D G Bm A")].freeze
      TUNINGS = { "standard" => %w[E A D G B E], "half a step down" => %w[Eb Ab Db Gb Bb Eb], "dropped D" => %w[D A D G B E], "open D" => %w[D A D F# A D],
                  "open G" => %w[D G D G B D], "open C" => %w[C G C G C E], "fourths and fifths on D" => %w[D A D G A D] }.freeze
      SHOWN = 4

      private

      def work
        chords = given[:chords].reject(&:none?)
        raise Errors::Unfit, "there is no chord to play" if chords.empty?

        ranked = TUNINGS.sort_by { |_, strings| -score(chords, strings) }.first(SHOWN)
        ranked.reduce(Answer.start("Counted, nothing is rounded.")) do |answer, (name, strings)|
          answer.line(Figures.sentence(name), "#{ringing(chords, strings)} strings ring in all", "#{strings.join(" ").then do |text|
            Figures.signs(text)
          end}; open bass for #{rooted(chords, strings)} of #{chords.size} roots")
        end
      end

      def score(chords, strings) = ringing(chords, strings) + (2 * rooted(chords, strings))

      # Open strings that are notes of a chord, over all chords.
      def ringing(chords, strings) = chords.sum { |chord| strings.count { |string| chord.pitch_classes.include?(Harmony::PitchClass.parse(string)) } }

      def rooted(chords, strings) = chords.count { |chord| strings.first(3).any? { |string| Harmony::PitchClass.parse(string) == chord.lowest } }
    end
  end
end
