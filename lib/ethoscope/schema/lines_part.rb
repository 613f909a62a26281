# frozen_string_literal: true

module Ethoscope
  class Schema
    # The bass line, the clear high lines, and what each layer plays.
    class LinesPart
      # @param findings [Engine::Findings]
      def initialize(findings, _confidence)
        @found = findings
      end

      # @return [Hash]
      def to_h
        { bass:, leads: @found.playing.leads, lines: @found.playing.lines }
      end

      private

      def bass
        pitches = @found.playing.bass.map(&:pitch)
        tones = Harmony::BassLine.shares(@found.playing.bass).transform_keys(&:to_sym)
        { notes: @found.playing.bass.map { |note| bass_note(note) }, tones:, lowest: pitches.min, highest: pitches.max }
      end

      def bass_note(note)
        bar, beat = note.beat.divmod(@found.grid.meter.beats)
        { bar: bar + 1, beat: (beat + 1).round(4), beats: note.beats, start: note.start, end: note.end, pitch: note.pitch, name: @found.key.spell(note.pitch % 12), tone: note.tone,
          sure: note.sure }
      end
    end
  end
end
