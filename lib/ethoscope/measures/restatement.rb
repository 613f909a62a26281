# frozen_string_literal: true

module Ethoscope
  module Measures
    # From one tempo and key into another, so many semitones up. Tempos and keys may be nil: then nothing moves in that respect. The way is our own.
    Restatement = Value.of(:from_bpm, :to_bpm, :from_key, :to_key, :semitones)

    # Reckons how far.
    class Restatement
      # Chords are spelled in this key where none is known.
      UNKEYED = Harmony::Key.named("C", "major")

      # @return [Restatement] everything stays
      def self.none = new(from_bpm: nil, to_bpm: nil, from_key: nil, to_key: nil, semitones: 0)

      # @param vector [Vector] of the song that is restated
      # @param bpm [Numeric, nil] wanted, nil: its own
      # @param key [Harmony::Key, nil] wanted, nil: its own
      # @return [Restatement] by the nearest way: 5 semitones down to 6 up
      def self.of(vector, bpm: nil, key: nil)
        own = vector.key
        semitones = own && key ? ((key.pitch_class - own.pitch_class + 5) % 12) - 5 : 0
        new(from_bpm: vector.bpm, to_bpm: bpm || vector.bpm, from_key: own, to_key: key || own, semitones:)
      end

      # @return [Float] new tempo by old one, 1 where either is not known
      def ratio = from_bpm && to_bpm ? to_bpm.to_f / from_bpm : 1.0

      # @param seconds [Numeric]
      # @return [Float] the same stretch in the new tempo
      def seconds(seconds) = seconds / ratio

      # @param key [Harmony::Key]
      # @return [Harmony::Key]
      def key(key) = key == from_key && to_key ? to_key : key.transpose(semitones)

      # @return [Harmony::Key] in which notes are spelled there
      def spelling = to_key || UNKEYED

      # @return [Restatement] the way back
      def inverse = Restatement.new(from_bpm: to_bpm, to_bpm: from_bpm, from_key: to_key, to_key: from_key, semitones: -semitones)
    end
  end
end
