# frozen_string_literal: true

module Ethoscope
  module Sheet
    # The lines of a song with what a person put right in them, and what follows from that: the bass, and the drum patterns.
    class EditedLines
      # @param data [Hash] the schema, chords as they stand
      # @param notes [Array<SheetNote>] aspect "line"; the last one of a layer holds
      # @param timeline [Timeline]
      def initialize(data, notes, timeline)
        @data = data
        @notes = notes.to_h { |note| [note.value[:layer], note] }
        @timeline = timeline
      end

      # @return [Hash] lines, drums and bass in the schema; nothing where nobody put a line right
      def to_h
        return {} if edited.empty?

        drums = @data[:drums].map { |pattern| edited.each_value.reduce(pattern) { |held, line| line.in_pattern(held) } }
        { lines: @data[:lines].map { |line| edited.fetch(line[:layer], line).to_h }, drums:, **bass }
      end

      private

      def edited
        @edited ||= @data[:lines].select { |line| @notes.key?(line[:layer]) }.to_h { |line| [line[:layer], EditedLine.new(line, @notes[line[:layer]], @data, @timeline)] }
      end

      # The bass is told by the first line of that role.
      def bass
        line = @data[:lines].find { |one| one[:role] == "bass" && one[:source] != "midi" }
        own = line && edited[line[:layer]] or return {}

        notes = own.notes.select { |note| note[2] }.map { |note| bass_note(*note) }
        { bass: { notes:, tones: shares(notes), lowest: notes.map { |note| note[:pitch] }.min, highest: notes.map { |note| note[:pitch] }.max } }
      end

      def bass_note(place, beats, pitch, _velocity)
        start, stop = [place, place + beats].map { |beat| @timeline.seconds_at(beat).round(3) }
        known = @data[:bass][:notes].find { |note| note[:pitch] == pitch && (note[:start] - start).abs < EditedLine::SAME_SECONDS }
        return known if known

        bar, beat = place.divmod(@timeline.beats_per_bar)
        { bar: bar + 1, beat: (beat + 1).round(4), beats:, start:, end: stop, pitch:, name: key.spell(pitch % 12), tone: Harmony::BassLine.tone(pitch, chord_at(start)), sure: 1.0 }
      end

      def key = @key ||= @data[:key] ? Harmony::Key.named(*@data[:key].values_at(:tonic, :mode)) : Harmony::Key.named("C", "major")

      def chord_at(seconds)
        chord = @data[:chords].find { |one| one[:start] <= seconds + 0.05 && one[:end] > seconds + 0.05 }
        chord && Harmony::ChordSymbol.parse(chord[:symbol]).chord(key)
      end

      def shares(notes)
        total = notes.sum { |note| note[:beats] }
        total.positive? ? notes.group_by { |note| note[:tone].to_sym }.transform_values { |group| (group.sum { |note| note[:beats] } / total.to_f).round(3) } : {}
      end
    end
  end
end
