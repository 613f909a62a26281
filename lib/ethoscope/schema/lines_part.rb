# frozen_string_literal: true

module Ethoscope
  class Schema
    # The bass line and the clear high lines.
    class LinesPart
      # @param findings [Engine::Findings]
      def initialize(findings, _confidence)
        @found = findings
        @edges = findings.grid.half_beat_edges
      end

      # @return [Hash]
      def to_h
        { bass:, leads: @found.playing.leads }
      end

      private

      def bass
        pitches = @found.playing.bass.map(&:pitch)
        tones = Harmony::BassLine.shares(@found.playing.bass).transform_keys(&:to_sym)
        { notes: @found.playing.bass.map { |note| bass_note(note) }, tones:, lowest: pitches.min, highest: pitches.max }
      end

      def bass_note(note)
        bar, beat = @found.grid.place(note.first)
        { bar:, beat:, beats: (note.last - note.first) / 2.0, start: @edges[note.first].round(3), end: @edges[note.last].round(3), pitch: note.pitch,
          name: @found.key.spell(note.pitch % 12), tone: note.tone }
      end
    end
  end
end
