# frozen_string_literal: true

module Ethoscope
  module Sheet
    # The chords of a song: what was measured, with a person's chords over it. Each says its notes, what it does in the key, and
    # which other names its notes have.
    class ChordLine
      # What is left of a measured chord beside a person's one is worth showing from this many beats on.
      LEAST_BEATS = 0.5

      # A stretch of the line; note is nil where the measured chord stands.
      Stretch = Struct.new(:start, :end, :measured, :note)

      # @param data [Hash] the analysis schema
      # @param notes [Array<SheetNote>] aspect "chord", value symbol and voicing; later ones lie over earlier ones
      def initialize(data, notes)
        @data = data
        @notes = notes
        @timeline = Timeline.new(data)
        @keys = LocalKeys.new(data)
        @names = {}
      end

      # @return [Array<Hash>] chords in the schema, with source, state, reading_id, note, notes, names and voicing
      def chords
        list = @notes.reduce(measured) { |line, note| lay(line, note) }
        shown = list.select { |stretch| stretch.note || @timeline.beats_between(stretch.start, stretch.end) >= LEAST_BEATS }
        shown.each_with_index.map { |stretch, i| stretch.note&.value&.key?(:symbol) ? heard(stretch, shown[i + 1]) : told(stretch) }
      end

      private

      def measured = @data[:chords].map { |chord| Stretch.new(chord[:start], chord[:end], chord, nil) }

      # Cuts a hole for the note and puts it there.
      def lay(line, note)
        from, to = [note.from, note.to].map { |seconds| @timeline.snapped(seconds) }
        return line unless to > from

        around = line.flat_map do |stretch|
          [clipped(stretch, stretch.start, [stretch.end, from].min), clipped(stretch, [stretch.start, to].max, stretch.end)]
        end
        under = line.find { |stretch| stretch.start <= from + 1e-6 && stretch.end > from + 1e-6 }
        (around.compact + [Stretch.new(from, to, under&.measured, note)]).sort_by(&:start)
      end

      def clipped(stretch, from, to) = to - from > 1e-3 ? Stretch.new(from, to, stretch.measured, stretch.note) : nil

      def told(stretch)
        chord = stretch.measured
        bar, beat = @timeline.place(stretch.start)
        symbol = read(chord[:symbol])
        chord.merge(start: stretch.start, end: stretch.end, bar:, beat:, beats: @timeline.beats_between(stretch.start, stretch.end), source: "measured", state: "open",
          reading_id: nil, note: "", voicing: [], **described(symbol, bar))
      end

      def heard(stretch, following)
        note = stretch.note
        bar, beat = @timeline.place(stretch.start)
        key = @keys.at(bar)
        symbol = Harmony::ChordSymbol.parse(note.value[:symbol])
        function = symbol.function(key, next_chord(following))
        { start: stretch.start, end: stretch.end, label: symbol.chord(key).label(key), symbol: symbol.none? ? "–" : symbol.to_s, degree: symbol.degree(key),
          borrowed_from: source_of(symbol, key), function: function&.kind, function_of: function&.of, confidence: note.value[:confidence] || 1.0, rivals: rivals(stretch),
          bar:, beat:, beats: @timeline.beats_between(stretch.start, stretch.end), source: note.source, state: note.state, reading_id: note.id, note: note.note,
          voicing: note.value[:voicing] || [], **described(symbol, bar) }
      end

      def source_of(symbol, key) = symbol.none? ? nil : Harmony::Degree.of(symbol.chord(key), key).borrowed_from

      # What was measured here is a rival of what a person says.
      def rivals(stretch)
        chord = stretch.measured or return []
        [{ symbol: chord[:symbol], odds: chord[:confidence] }, *chord[:rivals]].reject { |rival| rival[:symbol] == stretch.note.value[:symbol] }
      end

      def next_chord(stretch)
        return nil unless stretch

        text = stretch.note&.value&.fetch(:symbol, nil) || stretch.measured[:symbol]
        read(text).chord(@keys.at(@timeline.place(stretch.start).first))
      end

      def described(symbol, bar)
        key = @keys.at(bar)
        @names[[symbol, key]] ||= { notes: symbol.notes, names: Harmony::ChordNames.rivals(symbol, key).map(&:to_s) }
      end

      def read(text) = Harmony::ChordSymbol.parse(text)
    end
  end
end
