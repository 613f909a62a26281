# frozen_string_literal: true

module Ethoscope
  module Harmony
    # Follows the lowest register as one voice: the strongest low note of each half beat, held over where it stays
    # (after Goto, "A real-time music-scene-description system", Speech Communication 2004, PreFEst-core for the bass).
    class BassLine
      # MIDI numbers in which a bass plays.
      RANGE = (28..52)
      # A note sounds when it reaches this share of the song's strong bass notes.
      SOUNDING = 0.22
      STRONG_SHARE = 0.9
      # A note within this share of the strongest is preferred when it lies an octave lower.
      OCTAVE_BELOW = 0.6
      TONES = { 0 => "root", 3 => "third", 4 => "third", 7 => "fifth", 6 => "fifth", 8 => "fifth", 10 => "seventh", 11 => "seventh" }.freeze

      # @param notes [NoteActivation] over half beats
      # @param spans [Array<ChordRecognizer::Span>]
      def initialize(notes, spans)
        @rows = notes.activation[true, (RANGE.begin - NoteActivation::LOWEST)..(RANGE.end - NoteActivation::LOWEST)].dup
        @spans = spans
        freeze
      end

      # @param pitch [Integer] MIDI number
      # @param chord [Chord, nil]
      # @return [String] which tone of the chord it is: "root", "third", "fifth", "seventh" or "other"
      def self.tone(pitch, chord) = chord.nil? || chord.none? ? "other" : TONES.fetch((pitch - chord.root) % 12, "other")

      # @return [Array<BassNote>] in order; rests are left out
      def notes
        chords = @spans.flat_map { |span| [span.chord] * (span.last - span.first) }
        pitches = pitches_by_half_beat
        runs = pitches.each_index.slice_when { |a, b| pitches[a] != pitches[b] || chords[a]&.root != chords[b]&.root }
        runs.filter_map do |run|
          pitch = pitches[run.first] or next
          BassNote.new(pitch:, first: run.first, last: run.last + 1, tone: self.class.tone(pitch, chords[run.first]))
        end
      end

      # @param notes [Array<BassNote>]
      # @return [Hash{String => Float}] share of the playing time by tone of the chord
      def self.shares(notes)
        total = notes.sum { |note| note.last - note.first }
        return {} if total.zero?

        notes.group_by(&:tone).transform_values { |group| (group.sum { |note| note.last - note.first } / total.to_f).round(3) }
      end

      private

      def pitches_by_half_beat
        strongest = @rows.max(axis: 1)
        floor = Signal::Series.percentile(strongest, STRONG_SHARE) * SOUNDING
        strongest.to_a.each_with_index.map { |level, row| level > floor && level.positive? ? pitch(@rows[row, true].to_a, level) : nil }
      end

      def pitch(row, level)
        top = row.index(level)
        below = top - 12
        top = below if below >= 0 && row[below] > OCTAVE_BELOW * level
        RANGE.begin + top
      end
    end
  end
end
