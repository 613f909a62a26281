# frozen_string_literal: true

module Ethoscope
  module Harmony
    # A note from outside the scale: pitch class, the share of the time in which a chord holds it, and the bars (from 1) where.
    # Terms after Kostka & Payne, "Tonal Harmony".
    OutsideNote = Value.of(:pitch_class, :share, :bars)

    # Lists the notes of the chords that are not in the scale.
    class OutsideNote
      # @param spans [Array<ChordRecognizer::Span>]
      # @param key [Key]
      # @param grid [Rhythm::BeatGrid]
      # @return [Array<OutsideNote>] the most frequent first
      def self.list(spans, key, grid)
        total = spans.sum { |span| span.last - span.first }.to_f
        holding = Hash.new { |hash, note| hash[note] = [] }
        spans.each { |span| (span.chord.pitch_classes - key.scale).each { |note| holding[note] << span } }
        notes = holding.map do |note, found|
          bars = found.flat_map { |span| (grid.place(span.first).first..grid.place(span.last - 1).first).to_a }
          new(pitch_class: note, share: (found.sum { |span| span.last - span.first } / total).round(3), bars: bars.uniq.sort)
        end
        notes.sort_by { |note| -note.share }
      end
    end
  end
end
