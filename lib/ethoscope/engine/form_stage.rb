# frozen_string_literal: true

module Ethoscope
  module Engine
    # The parts of a song with the keys that hold in them, how likely a part begins with each bar, and what the chords do in them: the loop, the loops of
    # the parts by their letters, notes from outside the scale, cadences. The method is our own.
    Parts = Value.of(:sections, :novelty, :keys, :loop, :loops, :outside, :cadences)

    # Finds the {Parts}. Sections that a person set hold.
    class FormStage
      # @param features [Features]
      # @param count [Count]
      # @param chords [Chords]
      # @param corrections [Corrections]
      # @param gaps [Gaps]
      def initialize(features, count, chords, corrections, gaps)
        @features = features
        @hearing = count.hearing
        @count = count
        @grid = count.grid
        @spans = chords.spans
        @corrections = corrections
        @gaps = gaps
      end

      # @return [Parts]
      def result
        keys = KeyStage.new(@count, @spans, sections, @corrections).result
        bars = @grid.per_bar(@spans)
        Parts.new(
          sections:, novelty: segmenter.novelty, keys:,
          loop: @gaps.beside("the loop", nil) { Harmony::LoopFinder.new(bars, keys.key).main },
          loops: @gaps.beside("the loops of sections", []) { Harmony::SectionLoops.new(bars, sections, keys.key).loops },
          outside: @gaps.beside("notes from outside the scale", []) { Harmony::OutsideNote.list(@spans, keys.key, @grid) },
          cadences: @gaps.beside("the cadences", []) { Harmony::Cadence.find(chords_by_bar, keys.key, sections.drop(1).map(&:first_bar)) }
        )
      end

      private

      def segmenter = @segmenter ||= Form::Segmenter.new(@hearing.boundary_features.rows, @grid.bars)

      def sections
        @sections ||= if @corrections.sections.any? then told_sections(@corrections.sections, "as you hear it")
                      elsif marked.any? then told_sections(marked, "marked in the MIDI file")
                      else found_sections
                      end
      end

      # Sections that the markers of a score name, where it lies over the song.
      def marked = @marked ||= @gaps.beside("the markers of the MIDI file", []) { @count.ensemble.marked_sections }

      def found_sections = Form::Labeler.new(@hearing.bar_features, segmenter, @hearing.energy, @grid, @features.duration).sections

      # The sections that a person set or a score marks, on the nearest bars; the first starts with the song.
      def told_sections(told, reason)
        starts = told.each_with_index.map { |section, i| [i.zero? ? 1 : @grid.bar_at(section.start), section] }
        starts = starts.group_by(&:first).sort.map { |_, group| group.last }
        edges = [0.0, *@grid.bar_edges[1...-1], [@features.duration, @grid.bar_edges.last].max]
        starts.each_with_index.map do |(first_bar, section), i|
          after = starts[i + 1]&.first || (@grid.bars + 1)
          Form::Section.new(label: section.label, letter: section.letter, first_bar:, bars: after - first_bar, start: edges[first_bar - 1], end: edges[after - 1],
            confidence: 1.0, reason:)
        end
      end

      def chords_by_bar = @spans.reject { |span| span.chord.none? }.map { |span| [@grid.place(span.first).first, span.chord] }
    end
  end
end
