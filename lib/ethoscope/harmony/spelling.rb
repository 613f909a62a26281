# frozen_string_literal: true

module Ethoscope
  module Harmony
    # How the twelve pitch classes are named: by the key that holds, always with sharps (as piano rolls show them), or always with flats.
    Spelling = Value.of(:names, :key)

    # Names them. Terms after Kostka & Payne, "Tonal Harmony".
    class Spelling
      BY_KEY = "key"
      ALWAYS = { "sharps" => %w[C C# D D# E F F# G G# A A# B], "flats" => %w[C Db D Eb E F Gb G Ab A Bb B] }.freeze
      NAMES = [BY_KEY, *ALWAYS.keys].freeze

      # @param pitch_class [Integer] 0 to 11
      # @return [String]
      def spell(pitch_class) = ALWAYS.key?(names) ? ALWAYS.fetch(names)[pitch_class % 12] : key.spell(pitch_class)

      # @param other [Key]
      # @return [String] what its tonic is called
      def tonic(other) = ALWAYS.key?(names) ? spell(other.pitch_class) : other.tonic
    end
  end
end
