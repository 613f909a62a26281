# frozen_string_literal: true

module Ethoscope
  module Harmony
    # A chord's place in a key: a Roman numeral counted from the major scale of the tonic, and where it was borrowed from.
    Degree = Value.of(:numeral, :borrowed_from)

    # Reads {Degree}s (Kostka & Payne, "Tonal Harmony", ch. 6 and 21, on mixture and secondary dominants).
    class Degree
      NUMERALS = %w[I ♭II II ♭III III IV ♯IV V ♭VI VI ♭VII VII].freeze
      SUFFIXES = { "maj" => "", "min" => "", "7" => "7", "maj7" => "maj7", "min7" => "7", "sus4" => "sus4", "sus2" => "sus2",
                   "dim" => "°", "aug" => "+", "hdim7" => "ø7", "dim7" => "°7", "maj6" => "6" }.freeze
      SMALL = %w[min min7 dim hdim7 dim7].freeze
      PARALLELS = ["minor", "dorian", "harmonic minor", "major", "mixolydian", "phrygian", "lydian"].freeze

      # @param chord [Chord]
      # @param key [Key]
      # @return [Degree, nil] nil for no chord
      def self.of(chord, key)
        return nil if chord.none?

        new(numeral: numeral(chord, key), borrowed_from: source(chord, key))
      end

      # @param numeral [String] a triad's, such as "♭VI" or "iv"
      # @param key [Key]
      # @return [String] its symbol in that key, such as "E♭" or "Cm"
      def self.symbol(numeral, key)
        small = numeral != numeral.upcase
        root = (key.pitch_class + NUMERALS.index(numeral.upcase)) % 12
        "#{key.spell(root).tr("b#", "♭♯")}#{"m" if small}"
      end

      def self.numeral(chord, key)
        base = numeral_of(chord.root, key)
        base = base.tr("IV", "iv") if SMALL.include?(chord.quality)
        base + SUFFIXES.fetch(chord.quality)
      end
      private_class_method :numeral

      # The nearest scale on the same tonic that holds the chord, or the degree whose dominant it is.
      def self.source(chord, key)
        notes = chord.pitch_classes
        return nil if (notes - key.scale).empty?

        dominant_of(chord, key) || parallel(notes, key) || "outside"
      end
      private_class_method :source

      def self.dominant_of(chord, key)
        return nil unless chord.quality == "7" || (chord.quality == "maj" && !key.minor?)

        target = (chord.root + 5) % 12
        return nil if target == key.pitch_class || !key.scale.include?(target)

        "V of #{numeral_of(target, key)}"
      end
      private_class_method :dominant_of

      # @param notes [Array<Integer>] pitch classes
      # @param key [Key]
      # @return [String, nil] the nearest other scale on the same tonic that holds them all, such as "C minor"
      def self.parallel(notes, key)
        mode = PARALLELS.find do |name|
          name != key.mode && (notes - Key.new(pitch_class: key.pitch_class, mode: name).scale).empty?
        end
        mode && "#{key.tonic} #{mode}"
      end

      # @param root [Integer] a pitch class
      # @param key [Key]
      # @return [String] the numeral of that degree, counted from the major scale
      def self.numeral_of(root, key) = NUMERALS[(root - key.pitch_class) % 12]
    end
  end
end
