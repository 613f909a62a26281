# frozen_string_literal: true

module Ethoscope
  module Harmony
    # A chord: a root, a quality and a bass note; without a root it is "no chord".
    Chord = Value.of(:root, :quality, :bass)

    # Labels follow Harte, Sandler, Abdallah & Gómez, "Symbolic representation of musical chords" (ISMIR 2005).
    class Chord
      # Semitones over the root.
      QUALITIES = {
        "maj" => [0, 4, 7], "min" => [0, 3, 7], "7" => [0, 4, 7, 10], "maj7" => [0, 4, 7, 11], "min7" => [0, 3, 7, 10],
        "sus4" => [0, 5, 7], "sus2" => [0, 2, 7], "dim" => [0, 3, 6], "aug" => [0, 4, 8], "hdim7" => [0, 3, 6, 10],
        "dim7" => [0, 3, 6, 9], "maj6" => [0, 4, 7, 9]
      }.freeze
      SUFFIXES = { "maj" => "", "min" => "m", "7" => "7", "maj7" => "maj7", "min7" => "m7", "sus4" => "sus4", "sus2" => "sus2",
                   "dim" => "dim", "aug" => "aug", "hdim7" => "m7♭5", "dim7" => "dim7", "maj6" => "6" }.freeze
      INTERVALS = %w[1 b2 2 b3 3 4 b5 5 b6 6 b7 7].freeze

      # @return [Chord] silence, or something that is no chord
      def self.none = new(root: nil, quality: "N", bass: nil)

      # @param root [Integer] pitch class
      # @param quality [String] one of QUALITIES
      # @param bass [Integer] pitch class of the lowest note
      # @return [Chord]
      # @raise [ArgumentError] for an unknown quality
      def self.on(root, quality, bass: root)
        raise ArgumentError, "unknown quality: #{quality}" unless QUALITIES.key?(quality)

        new(root: root % 12, quality:, bass: bass % 12)
      end

      # @return [Boolean] true when no chord sounds
      def none? = root.nil?

      # @return [Boolean] true when a chord sounds; not the question of Enumerable, which a struct would answer
      def any? = !none?

      # @return [Array<Integer>] pitch classes, root first
      def pitch_classes = none? ? [] : QUALITIES.fetch(quality).map { |step| (root + step) % 12 }

      # @return [Boolean] true when the lowest note is not the root
      def inverted? = !none? && bass != root

      # @return [Boolean] true when the third is minor
      def minor? = !none? && QUALITIES.fetch(quality).include?(3)

      # @param key [Key] for the spelling
      # @return [String] such as "Bb:min7/b3", or "N"
      def label(key)
        return "N" if none?

        "#{key.spell(root)}:#{quality}#{"/#{INTERVALS[(bass - root) % 12]}" if inverted?}"
      end

      # @param key [Key] for the spelling
      # @return [String] such as "B♭m7/D♭", as musicians write it
      def symbol(key)
        return "–" if none?

        text = key.spell(root) + SUFFIXES.fetch(quality)
        text += "/#{key.spell(bass)}" if inverted?
        text.gsub(/(?<=[A-G])([b#]+)/) { |signs| signs.tr("b#", "♭♯") }
      end

      # @param semitones [Integer]
      # @return [Chord]
      def transpose(semitones)
        none? ? self : Chord.on(root + semitones, quality, bass: bass + semitones)
      end
    end
  end
end
