# frozen_string_literal: true

module Ethoscope
  module Harmony
    # Chords as hands would play them one after another: of all inversions in a middle register the one whose voices move least from the chord before
    # (the law of the shortest way; Kostka & Payne, "Tonal Harmony", ch. 5).
    module VoiceLeading
      # Where hands are: from the G under middle C to the G over it, each chord within an octave and a half.
      RANGE = (52..77)
      START = 60

      # @param symbols [Array<ChordSymbol>]
      # @return [Array<Array<Integer>>] MIDI pitches of each, from the lowest; none for no chord. The bass note of a slash chord is the bass's, not theirs
      def self.of(symbols)
        before = nil
        symbols.map do |symbol|
          next [] if symbol.none?

          before = nearest(symbol, before)
        end
      end

      def self.nearest(symbol, before)
        placed = positions(symbol)
        return placed.min_by { |pitches| (pitches.first - START).abs } unless before

        placed.min_by { |pitches| [movement(before, pitches), (pitches.first - START).abs] }
      end
      private_class_method :nearest

      # Close positions of a chord within the range: each tone in turn the lowest, in each octave that fits; ninths and higher tones stand over the others.
      def self.positions(symbol)
        high, core = symbol.intervals.partition { |name| name.match?(ChordSymbol::HIGH) }.map { |names| classes(symbol, names) }
        found = RANGE.select { |pitch| core.include?(pitch % 12) }.map { |lowest| crowned(stacked(lowest, core), high) }
        inside = found.select { |pitches| pitches.last <= RANGE.max + (high.empty? ? 0 : 7) }
        inside.empty? ? [symbol.pitches(START)] : inside
      end
      private_class_method :positions

      def self.classes(symbol, names) = names.map { |name| (PitchClass.parse(symbol.root) + IntervalName.semitones(name)) % 12 }.uniq
      private_class_method :classes

      def self.stacked(lowest, classes) = classes.map { |note| lowest + ((note - lowest) % 12) }.sort
      private_class_method :stacked

      # High tones, each over what stands already.
      def self.crowned(pitches, high) = high.reduce(pitches) { |all, note| [*all, all.last + 1 + ((note - all.last - 1) % 12)] }
      private_class_method :crowned

      # Semitones that all voices move, each to the nearest of the other chord.
      def self.movement(one, other)
        other.sum { |pitch| one.map { |from| (pitch - from).abs }.min } + one.sum { |pitch| other.map { |to| (pitch - to).abs }.min }
      end
      private_class_method :movement
    end
  end
end
