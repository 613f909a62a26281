# frozen_string_literal: true

module Ethoscope
  module Harmony
    # A tonic and a mode. Terms after Kostka & Payne, "Tonal Harmony".
    Key = Value.of(:pitch_class, :mode)

    # Knows its scale, its name and how notes are spelled in it.
    class Key
      SCALES = {
        "major" => [0, 2, 4, 5, 7, 9, 11], "minor" => [0, 2, 3, 5, 7, 8, 10], "dorian" => [0, 2, 3, 5, 7, 9, 10],
        "phrygian" => [0, 1, 3, 5, 7, 8, 10], "lydian" => [0, 2, 4, 6, 7, 9, 11], "mixolydian" => [0, 2, 4, 5, 7, 9, 10],
        "harmonic minor" => [0, 2, 3, 5, 7, 8, 11]
      }.freeze
      MODES = SCALES.keys.freeze
      # Fifths between a mode's tonic and the tonic of the major scale with the same signature.
      SIGNATURE_SHIFT = { "major" => 0, "minor" => -3, "dorian" => -2, "phrygian" => -4, "lydian" => 1, "mixolydian" => -1,
                          "harmonic minor" => -3 }.freeze

      # @param tonic [String] a pitch name
      # @param mode [String] one of MODES
      # @return [Key]
      # @raise [ArgumentError] for an unknown tonic or mode
      def self.named(tonic, mode)
        raise ArgumentError, "unknown mode: #{mode}" unless SCALES.key?(mode)

        new(pitch_class: PitchClass.parse(tonic), mode:)
      end

      # @return [String] the tonic's name: the one with the simpler key signature, then the simpler name, then flats
      def tonic
        places = (-8..9).select { |place| (place * 7) % 12 == pitch_class }
        PitchClass.at_fifths(places.min_by { |place| [(place + SIGNATURE_SHIFT.fetch(mode)).abs, place.abs, place] })
      end

      # @return [Integer] sharps (positive) or flats (negative) of the signature
      def signature = PitchClass.fifths(tonic) + SIGNATURE_SHIFT.fetch(mode)

      # @return [Array<Integer>] pitch classes of the scale, tonic first
      def scale = SCALES.fetch(mode).map { |step| (pitch_class + step) % 12 }

      # @return [Boolean] true when the third over the tonic is minor
      def minor? = SCALES.fetch(mode).include?(3)

      # @param other [Integer] a pitch class
      # @return [String] its name in this key
      def spell(other) = PitchClass.spell(other, tonic)

      # @param semitones [Integer]
      # @return [Key]
      def transpose(semitones) = Key.new(pitch_class: (pitch_class + semitones) % 12, mode:)

      def to_s = "#{tonic} #{mode}"
    end
  end
end
