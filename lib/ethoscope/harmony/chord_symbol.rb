# frozen_string_literal: true

module Ethoscope
  module Harmony
    # A chord as a person writes it: the root's name, the intervals over it and the bass note's name, nil without a slash. Without
    # a root it is "no chord".
    #
    #   symbol = ChordSymbol.parse("Bbm7/Db")
    #   symbol.to_s     # => "B♭m7/D♭"
    #   symbol.notes    # => ["Bb", "Db", "F", "Ab"]
    ChordSymbol = Value.of(:root, :intervals, :bass)

    # Knows its notes, its one spelling, and the chord of the engine's vocabulary that comes nearest
    # (spelled by thirds: Kostka & Payne, "Tonal Harmony", ch. 3).
    class ChordSymbol
      # Suffixes that numerals write as signs.
      MARKS = { "dim" => "°", "dim7" => "°7", "m7♭5" => "ø7", "aug" => "+" }.freeze
      # Tones that lie over the seventh.
      HIGH = /9|11|13/
      # A bass foreign to the chord is a pedal on these degrees of the key.
      PEDALS = [0, 7].freeze

      # @param text [String] such as "Bbm7", "F#dim/A", "Csus4", "N.C."
      # @return [ChordSymbol]
      # @raise [Errors::UnreadableChord] saying what can't be read
      def self.parse(text) = ChordParser.new(text).symbol

      # @return [ChordSymbol] silence, or something that is no chord
      def self.none = new(root: nil, intervals: [], bass: nil)

      # @return [Boolean] true when no chord sounds
      def none? = root.nil?

      # @param semitones [Integer]
      # @param key [Key] of the new place, for the spelling
      # @return [ChordSymbol] the same chord so much higher, with all its tones and its bass; untouched where it stays
      def transpose(semitones, key) = (semitones % 12).zero? ? self : spelled(semitones, key)

      # @param semitones [Integer]
      # @param spelling [Key, Spelling] names the notes, also those that stay
      # @return [ChordSymbol] the same chord so much higher
      def spelled(semitones, spelling)
        return self if none?

        moved = ->(name) { spelling.spell((PitchClass.parse(name) + semitones) % 12) }
        ChordSymbol.new(root: moved.call(root), intervals:, bass: bass && moved.call(bass))
      end

      # @param octave [Integer] the MIDI pitch of the C under the root
      # @return [Array<Integer>] MIDI pitches: third, fifth and seventh over the root, ninths and higher tones an octave up
      def pitches(octave)
        return [] if none?

        root_pitch = octave + PitchClass.parse(root)
        intervals.map { |name| root_pitch + IntervalName.semitones(name) + (name.match?(HIGH) ? 12 : 0) }.sort
      end

      # @param octave [Integer] the MIDI pitch of the C under the root
      # @return [Array<Array(Integer, String)>] MIDI pitches from the lowest with their names, spelled by thirds, over the bass that is written
      def spelled_pitches(octave)
        names = notes.to_h { |name| [PitchClass.parse(name), name] }
        over = pitches(octave)
        under = bass && PitchClass.parse(bass) != PitchClass.parse(root) ? [over.first - ((over.first - PitchClass.parse(bass)) % 12)] : []
        (under + over).map { |pitch| [pitch, names.fetch(pitch % 12)] }
      end

      # @return [Array<String>] note names, root first, spelled by thirds; a foreign bass comes last
      def notes
        return [] if none?

        over = intervals.map { |name| IntervalName.spelled(name, root) }
        bass && !pitch_classes.include?(PitchClass.parse(bass)) ? over + [bass] : over
      end

      # @return [Array<Integer>] pitch classes over the root, root first, without a foreign bass
      def pitch_classes = none? ? [] : intervals.map { |name| (PitchClass.parse(root) + IntervalName.semitones(name)) % 12 }

      # @return [Integer, nil] pitch class of the lowest note
      def lowest = none? ? nil : PitchClass.parse(bass || root)

      # @return [String] the one way to write it, with ♭ and ♯; "N.C." for no chord
      def to_s
        return "N.C." if none?

        "#{signs(root)}#{suffix}#{"/#{signs(bass)}" if bass}"
      end

      # @param key [Key] decides what a chord without a third is taken for
      # @return [Chord] the nearest chord that the engine knows
      def chord(key)
        return Chord.none if none?

        Chord.on(PitchClass.parse(root), quality(key), bass: lowest)
      end

      # @param key [Key]
      # @return [String, nil] degree as a numeral with the suffix that is written, nil for no chord
      def degree(key)
        return nil if none?

        base = Degree.numeral_of(PitchClass.parse(root), key)
        return base + MARKS.fetch(suffix, suffix) unless intervals.include?("b3")

        base.tr("IV", "iv") + MARKS.fetch(suffix) { suffix.sub(/\Am\((.*)\)/, '\1').delete_prefix("m") }
      end

      # @param key [Key]
      # @param following [Chord, nil] the next chord
      # @return [Function, nil] what it does in the key; a foreign bass on tonic or dominant is a pedal
      def function(key, following = nil)
        return nil if none?

        foreign = bass && !pitch_classes.include?(lowest)
        return Function.new(kind: "pedal", of: bass) if foreign && PEDALS.include?((lowest - key.pitch_class) % 12)

        Function.of(chord(key), key, following)
      end

      private

      def signs(name) = name.tr("b#", "♭♯")

      def suffix = ChordSuffix.new(intervals).to_s

      def quality(key)
        suffix = ChordSuffix.new(intervals)
        return suffix.suspension || bare(key) unless suffix.third

        case [suffix.third, suffix.fifth, suffix.seventh]
        when %w[3 #5 b7], ["3", "#5", nil], %w[3 #5 7] then "aug"
        when ["b3", "b5", nil] then "dim"
        when %w[b3 b5 bb7] then "dim7"
        when %w[b3 b5 b7] then "hdim7"
        else plain(suffix)
        end
      end

      def plain(suffix)
        return { "b7" => "min7" }.fetch(suffix.seventh, "min") if suffix.third == "b3"
        return "maj6" if suffix.seventh.nil? && intervals.include?("6")

        { "b7" => "7", "7" => "maj7" }.fetch(suffix.seventh, "maj")
      end

      # Without a third it is what the scale makes of it.
      def bare(key)
        root_class = PitchClass.parse(root)
        key.scale.include?((root_class + 3) % 12) && !key.scale.include?((root_class + 4) % 12) ? "min" : "maj"
      end
    end
  end
end
