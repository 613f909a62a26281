# frozen_string_literal: true

module Ethoscope
  module Harmony
    # Names of notes with their octave, middle C being C4 (scientific pitch notation). Terms after Kostka & Payne, "Tonal Harmony".
    module NoteName
      WRITTEN = /\A([A-G][b#♭♯]{0,2})(-?\d)\z/

      # @param text [String] such as "Eb4"
      # @return [Integer] MIDI pitch
      # @raise [Errors::Unfit] when it names no note
      def self.parse(text)
        match = WRITTEN.match(text) or raise Errors::Unfit, "“#{text}” is no note with an octave, such as Eb4"
        # The octave is that of the letter: Cb4 lies under C4.
        natural = PitchClass::NATURALS.fetch(match[1][0])
        natural + match[1].count("#♯") - match[1].count("b♭") + (12 * (match[2].to_i + 1))
      end

      # @param pitch [Integer] MIDI pitch
      # @param key [Key] for the spelling
      # @return [String]
      def self.of(pitch, key) = named(pitch, key.spell(pitch % 12))

      # @param pitch [Integer] MIDI pitch
      # @param name [String] what its pitch class is called
      # @return [String]
      def self.named(pitch, name)
        natural = pitch - name.count("#") + name.count("b")
        "#{name}#{(natural / 12) - 1}"
      end
    end
  end
end
