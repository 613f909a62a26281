# frozen_string_literal: true

module Ethoscope
  module Harmony
    # Names of the twelve pitch classes (C = 0), spelled by position on the line of fifths. Terms after Kostka & Payne, "Tonal Harmony".
    module PitchClass
      LETTERS = "FCGDAEB"
      NATURALS = { "C" => 0, "D" => 2, "E" => 4, "F" => 5, "G" => 7, "A" => 9, "B" => 11 }.freeze
      # A letter and its signs.
      NAME = /\A([A-G])([b#♭♯]{0,2})\z/
      # How far below the tonic on the line of fifths names reach: five flats down, six sharps up.
      FLATWARD = 5
      # Places of names with one sign or none: from F flat to B sharp.
      ONE_SIGN = (-8..12)

      # @param name [String] such as "Bb", "F#" or "C"
      # @return [Integer] 0 to 11
      # @raise [ArgumentError] when it names no pitch
      def self.parse(name)
        match = NAME.match(name.to_s) or raise ArgumentError, "not a pitch name: #{name}"
        (NATURALS[match[1]] + match[2].count("#♯") - match[2].count("b♭")) % 12
      end

      # @param name [String]
      # @return [Integer] place on the line of fifths, C = 0, G = 1, F = -1
      def self.fifths(name)
        LETTERS.index(name[0]) - 1 + (7 * (name.count("#") - name.count("b")))
      end

      # @param place [Integer] place on the line of fifths
      # @return [String] the name that stands there
      def self.at_fifths(place)
        letter = LETTERS[(place + 1) % 7]
        signs = (place + 1).div(7)
        letter + (signs.negative? ? "b" * -signs : "#" * signs)
      end

      # @param pitch_class [Integer] 0 to 11
      # @param tonic [String] the tonic's name, around which the names are chosen
      # @return [String] never with two signs: nobody calls D E double flat, even in D flat
      def self.spell(pitch_class, tonic)
        centre = fifths(tonic)
        place = ((centre - FLATWARD)..(centre + 11 - FLATWARD)).find { |fifth| (fifth * 7) % 12 == pitch_class % 12 }
        at_fifths(ONE_SIGN.cover?(place) ? place : place - (12 * (place <=> 0)))
      end
    end
  end
end
