# frozen_string_literal: true

module Ethoscope
  module Harmony
    # Names of the intervals that chords are built of, over the root: "b3", "5", "#11". Terms after Kostka & Payne, "Tonal Harmony".
    module IntervalName
      # Semitones, and letters up from the root's letter.
      ALL = { "1" => [0, 0], "b9" => [1, 1], "9" => [2, 1], "#9" => [3, 1], "b3" => [3, 2], "3" => [4, 2], "4" => [5, 3], "11" => [5, 3], "#11" => [6, 3],
              "b5" => [6, 4], "5" => [7, 4], "#5" => [8, 4], "b13" => [8, 5], "6" => [9, 5], "13" => [9, 5], "bb7" => [9, 6], "b7" => [10, 6],
              "7" => [11, 6] }.freeze
      LETTERS = "CDEFGAB"

      # @param name [String] one of ALL
      # @return [Integer] semitones over the root, 0 to 11
      def self.semitones(name) = ALL.fetch(name).first

      # @param name [String] one of ALL
      # @param root [String] a pitch name
      # @return [String] the pitch name that many letters up: the third of Ab minor is Cb
      def self.spelled(name, root)
        semitones, letters = ALL.fetch(name)
        letter = LETTERS[(LETTERS.index(root[0]) + letters) % 7]
        signs = (((PitchClass.parse(root) + semitones - PitchClass::NATURALS.fetch(letter)) + 6) % 12) - 6
        letter + (signs.negative? ? "b" * -signs : "#" * signs)
      end
    end
  end
end
