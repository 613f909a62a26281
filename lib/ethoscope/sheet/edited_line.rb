# frozen_string_literal: true

module Ethoscope
  module Sheet
    # A line of the sheet as a person put it right: without the strokes and notes that were taken away, with those that were added, and what returns in it.
    class EditedLine
      # What was taken away is known by its moment, to so many seconds.
      SAME_SECONDS = 0.012

      # @param line [Hash] as measured, in the schema
      # @param note [SheetNote] aspect "line", value layer, added and taken, see {LineEdits}
      # @param data [Hash] the schema
      # @param timeline [Timeline]
      def initialize(line, note, data, timeline)
        @line = line
        @note = note
        @data = data
        @timeline = timeline
        @meter = Rhythm::Meter.named(data[:meter])
      end

      # @return [String]
      def layer = @line[:layer]

      # @return [String]
      def role = @line[:role]

      # @return [Hash] in the schema of a line
      def to_h = @line.merge(notes:, sections:, edited: @note.value[:added].size + @note.value[:taken].size)

      # @return [Array<Array>] beat from the start of bar 1, beats, MIDI pitch or nil, velocity
      def notes = @notes ||= (kept + added).sort_by { |note| [note[0], note[2] || 0] }

      # @param pattern [Hash] the drum pattern of a section, in the schema
      # @return [Hash] the same with this layer's strokes as they stand now
      def in_pattern(pattern)
        index = pattern[:rows].index { |row| row[:layer] == layer } or return pattern
        bars = (pattern[:first_bar] - 1)...(pattern[:first_bar] - 1 + pattern[:bars])
        row = strokes(pattern[:rows][index]).row(bars)
        rows = pattern[:rows].dup.tap { |list| list[index] = row.to_h }
        pattern.merge(rows:, departures: departures(pattern, row, bars))
      end

      private

      def kept
        @line[:notes].reject do |note|
          at = @timeline.seconds_at(note[0])
          @note.value[:taken].any? { |seconds, pitch| pitch == note[2] && (seconds - at).abs < SAME_SECONDS }
        end
      end

      def added
        @note.value[:added].map do |from, to, pitch, velocity|
          beat = @timeline.beat_at(from)
          [beat.round(3), (@timeline.beat_at(to) - beat).round(3), pitch, velocity]
        end
      end

      # What returns was told only of lines of stems and scores; of others their patterns say it.
      def sections
        return [] if @line[:sections].empty?

        pattern = Rhythm::LayerPattern.new(notes.map { |beat, _, pitch, _| [beat, pitch] }, @meter)
        @data[:sections].filter_map { |section| pattern.of(section[:first_bar], section[:bars]) }
      end

      def strokes(row)
        # What a person put right is written, whatever told it before.
        source = row[:source] == "mix" ? "stem" : row[:source]
        @strokes ||= Rhythm::PieceStrokes.written(notes.map { |beat, _, _, velocity| [beat, velocity] }, @meter, @timeline.bars, piece: row[:piece], role:, layer:, source:)
      end

      # Strokes of other pieces stand as they did.
      def departures(pattern, row, bars)
        others = pattern[:departures].to_h { |departure| [departure[:bar], departure[:strokes].reject { |stroke| stroke[:piece] == layer }] }
        bars.filter_map do |bar|
          own = @strokes.apart(bar, row, bars.begin, @meter.steps_per_beat).map(&:to_h)
          list = (others.fetch(bar + 1, []) + own).sort_by { |stroke| stroke[:beat] }
          { bar: bar + 1, kind: Rhythm::DrumPatterns.kind(list.count { |stroke| stroke[:more] }, list.count { |stroke| !stroke[:more] }, @meter.steps), strokes: list } if list.any?
        end
      end
    end
  end
end
