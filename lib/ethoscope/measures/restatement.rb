# frozen_string_literal: true

module Ethoscope
  module Measures
    # From one tempo and key into another, so many semitones up. Tempos and keys may be nil: then nothing moves in that respect. A mode never changes by
    # moving: where another one is wanted, `asked` says which. Names are those
    # of one of {Harmony::Spelling::NAMES}. The way is our own.
    Restatement = Value.of(:from_bpm, :to_bpm, :from_key, :to_key, :semitones, :asked, :names)

    # Reckons how far.
    class Restatement
      # Chords are spelled in this key where none is known.
      UNKEYED = Harmony::Key.named("C", "major")
      # Where a mode is wanted that the song is not in: its tonic moves to the wanted one, or its notes become those of the wanted key.
      WAYS = %w[tonic notes].freeze
      # Floating figures that are the same.
      SAME = 1e-9

      # @return [Restatement] everything stays
      def self.none = new(from_bpm: nil, to_bpm: nil, from_key: nil, to_key: nil, semitones: 0)

      # @param vector [Vector] of the song that is restated
      # @param bpm [Numeric, nil] wanted, nil: its own
      # @param key [Harmony::Key, nil] wanted, nil: its own
      # @param way [String] one of WAYS
      # @param names [String] one of {Harmony::Spelling::NAMES}
      # @return [Restatement] by the nearest way: 5 semitones down to 6 up
      def self.of(vector, bpm: nil, key: nil, way: WAYS.first, names: Harmony::Spelling::BY_KEY)
        own = vector.key
        home = own && key ? home(own, key, way) : key || own
        semitones = own && home ? ((home.pitch_class - own.pitch_class + 5) % 12) - 5 : 0
        new(from_bpm: vector.bpm, to_bpm: bpm || vector.bpm, from_key: own, to_key: home, semitones:, asked: key == home ? nil : key, names:)
      end

      # @param own [Harmony::Key] of the song
      # @param wanted [Harmony::Key]
      # @param way [String] one of WAYS
      # @return [Harmony::Key] in which the song ends up, always in its own mode
      def self.home(own, wanted, way)
        return wanted if own.mode == wanted.mode

        same = (0..11).map { |tonic| Harmony::Key.new(pitch_class: tonic, mode: own.mode) }.find { |key| key.scale.sort == wanted.scale.sort } if way == "notes"
        same || Harmony::Key.new(pitch_class: wanted.pitch_class, mode: own.mode)
      end

      # @param asked [Harmony::Key, nil] wanted, where its mode is not the song's
      # @param names [String] one of {Harmony::Spelling::NAMES}
      def initialize(asked: nil, names: Harmony::Spelling::BY_KEY, **)
        super
      end

      # @return [Float] new tempo by old one, 1 where either is not known
      def ratio = from_bpm && to_bpm ? to_bpm.to_f / from_bpm : 1.0

      # @return [Boolean] whether tempo stays
      def same_speed? = (ratio - 1).abs < SAME

      # @return [Boolean] whether every note stays and keeps its name
      def stays? = semitones.zero? && names == Harmony::Spelling::BY_KEY

      # @param seconds [Numeric]
      # @return [Float] the same stretch in the new tempo
      def seconds(seconds) = seconds / ratio

      # @param key [Harmony::Key]
      # @return [Harmony::Key]
      def key(key) = key == from_key && to_key ? to_key : key.transpose(semitones)

      # @return [Harmony::Spelling] by which notes are named there
      def spelling = Harmony::Spelling.new(names:, key: to_key || UNKEYED)

      # @return [Restatement] the way back
      def inverse = Restatement.new(from_bpm: to_bpm, to_bpm: from_bpm, from_key: to_key, to_key: from_key, semitones: -semitones)
    end
  end
end
