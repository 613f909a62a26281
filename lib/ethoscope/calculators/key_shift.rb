# frozen_string_literal: true

module Ethoscope
  module Calculators
    # The shifts that bring one key to another, and where the modes differ to its relative: up or down, the nearest first (Kostka & Payne, "Tonal
    # Harmony", ch. 3, on relative keys).
    class KeyShift < Calculator
      ID = "key_shift"
      GROUP = "sample"
      NAME = "From key to key"
      SENTENCE = "From {from} to {key}."
      BLANKS = [Blank.new(name: :from, about: "Key that it is in", kind: :key, usual: "F# minor"),
                Blank.new(name: :key, about: "Key that is wanted", kind: :key, usual: "A minor")].freeze
      # Semitones from a minor tonic up to the tonic of the major key with the same notes.
      RELATIVE = 3

      # @param from [Harmony::Key]
      # @param to [Harmony::Key]
      # @return [Integer] semitones, 5 down to 6 up
      def self.nearest(from, to) = ((to.pitch_class - from.pitch_class + 5) % 12) - 5

      private

      def work
        near = self.class.nearest(given[:from], given[:key])
        far = near.positive? ? near - 12 : near + 12
        answer = Answer.start("Whole semitones.").line("Nearest", Figures.shift(near)).line("The other way round", Figures.shift(far))
        return answer if given[:from].mode == given[:key].mode

        same = same_notes
        (same ? answer.line("To the same notes", Figures.shift(same), "as relative keys, with another note as home") : answer)
          .warn(true, "#{given[:from].mode.capitalize} stays #{given[:from].mode}: a shift changes the tonic, never the mode.")
      end

      # The shift after which both keys hold the same notes.
      def same_notes
        (-5..6).sort_by(&:abs).find { |shift| given[:from].transpose(shift).scale.sort == given[:key].scale.sort }
      end
    end
  end
end
