# frozen_string_literal: true

module Ethoscope
  module Harmony
    # Other names for the notes of a chord: Am7 holds what C6 holds, and over the same bass each is as right as the other.
    # Terms after Kostka & Payne, "Tonal Harmony".
    module ChordNames
      # Suffixes that are tried on every note, the plainest first.
      SUFFIXES = ["", "m", "7", "m7", "maj7", "6", "m6", "sus4", "sus2", "dim", "aug", "m7b5", "dim7", "7sus4", "add9", "madd9", "9", "m9", "maj9", "m(maj7)",
                  "6/9", "7b5", "aug7", "maj7#11", "m11", "11", "9sus4", "7b9"].freeze
      # The intervals of each, and their semitones.
      SHAPES = SUFFIXES.map do |suffix|
        intervals = ChordSymbol.parse("C#{suffix}").intervals
        [intervals, intervals.map { |name| IntervalName.semitones(name) }].freeze
      end.freeze
      # At most so many are worth reading.
      MOST = 4

      # @param symbol [ChordSymbol]
      # @param key [Key] for the spelling
      # @return [Array<ChordSymbol>] other names for the same pitch classes over the same bass, plain ones first
      def self.rivals(symbol, key)
        return [] if symbol.none?

        lowest = symbol.lowest
        sounding = [*symbol.pitch_classes, lowest].uniq.sort
        found = SHAPES.product(sounding).filter_map do |(intervals, steps), root|
          named(intervals, root, symbol, key) if [*steps.map { |step| (root + step) % 12 }, lowest].uniq.sort == sounding
        end
        found.reject { |rival| rival.to_s == symbol.to_s }.uniq(&:to_s).first(MOST)
      end

      # Root and bass of the chord keep the names that they were given: C♯m over B is no D♭m over B.
      def self.named(intervals, root, symbol, key)
        given = [symbol.root, symbol.bass].compact.to_h { |name| [PitchClass.parse(name), name] }
        name = ->(pitch_class) { given.fetch(pitch_class) { key.spell(pitch_class) } }
        ChordSymbol.new(root: name.call(root), intervals:, bass: root == symbol.lowest ? nil : name.call(symbol.lowest))
      end
      private_class_method :named
    end
  end
end
