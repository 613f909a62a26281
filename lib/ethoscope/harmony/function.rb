# frozen_string_literal: true

module Ethoscope
  module Harmony
    # What a chord does in a key: kind is "diatonic", "borrowed", "secondary dominant", "chromatic approach" or "outside"; of says from
    # where it is borrowed, or of which degree it is the dominant.
    Function = Value.of(:kind, :of)

    # Reads {Function}s from a chord, the key and what follows (Kostka & Payne, "Tonal Harmony", chapters 16, 21 and 23).
    class Function
      DOMINANTS = %w[maj 7].freeze
      LEADING = %w[dim dim7 hdim7].freeze

      # @param chord [Chord]
      # @param key [Key]
      # @param following [Chord, nil] the next chord
      # @return [Function, nil] nil for no chord
      def self.of(chord, key, following = nil)
        return nil if chord.none?
        return new(kind: "diatonic", of: nil) if home?(chord, key)

        secondary(chord, key, following) || approach(chord, key, following) || borrowed(chord, key)
      end

      # In the scale; in minor the raised seventh of the dominant is at home too.
      def self.home?(chord, key)
        notes = chord.pitch_classes
        return true if (notes - key.scale).empty?

        dominant = [(key.pitch_class + 7) % 12, (key.pitch_class + 11) % 12].include?(chord.root)
        key.minor? && dominant && (notes - Key.new(pitch_class: key.pitch_class, mode: "harmonic minor").scale).empty?
      end
      private_class_method :home?

      # A dominant, or a diminished chord on a leading tone, of a degree that is not the tonic. A plain major chord counts only
      # when it goes there.
      def self.secondary(chord, key, following)
        target = (chord.root + (LEADING.include?(chord.quality) ? 1 : 5)) % 12
        return nil unless (DOMINANTS + LEADING).include?(chord.quality) && target != key.pitch_class && key.scale.include?(target)

        resolves = following&.any? && following.root == target
        new(kind: "secondary dominant", of: Degree.numeral_of(target, key)) if resolves || chord.quality == "7"
      end
      private_class_method :secondary

      # A chord outside the scale whose root slides by a semitone into the next, which has the same shape.
      def self.approach(chord, key, following)
        return nil if following.nil? || following.none? || key.scale.include?(chord.root)

        slide = [1, 11].include?((following.root - chord.root) % 12)
        new(kind: "chromatic approach", of: Degree.numeral_of(following.root, key)) if slide && following.quality == chord.quality
      end
      private_class_method :approach

      def self.borrowed(chord, key)
        source = Degree.parallel(chord.pitch_classes, key)
        source ? new(kind: "borrowed", of: source) : new(kind: "outside", of: nil)
      end
      private_class_method :borrowed
    end
  end
end
