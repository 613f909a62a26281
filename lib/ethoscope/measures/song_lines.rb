# frozen_string_literal: true

module Ethoscope
  module Measures
    # What layers play in each section, note by note, stroke by stroke, as the best source tells it. The way is our own.
    class SongLines
      # What comes so many beats early belongs to the bar that it leads into.
      EARLY_BEATS = 0.06
      # A note from before that ends so soon is but its tail.
      TAIL_BEATS = 0.75

      # @param value [Array<Hash>] see {#notes}
      # @param restatement [Restatement]
      # @return [Array<Hash>] the same so many semitones up
      def self.moved(value, restatement) = value.map { |note| note.merge(pitch: note[:pitch] + restatement.semitones) }

      # @param value [Hash] low, middle and high
      # @param restatement [Restatement]
      # @return [Hash]
      def self.moved_register(value, restatement) = value.transform_values { |pitch| pitch + restatement.semitones }

      # @param song [Subject]
      def initialize(song)
        @song = song
        @beats = Rhythm::Meter.named(song.data[:meter]).beats
      end

      # @return [Array<Hash>] for each layer of notes and section its notes: bar and beat from 1 within it, beats, MIDI pitch, velocity
      def notes = [*bass, *lines.flat_map { |line| by_section(line, line[:notes].map { |beat, beats, pitch, velocity| { at: beat, beats:, pitch:, velocity: } }) }]

      # @return [Array<Hash>] for each section in which a high line stands clear its lowest, middle and highest pitch
      def registers
        @song.data[:leads].filter_map do |lead|
          section = @song.sections.find { |one| one[:first_bar] == lead[:first_bar] } or next
          { value: lead.slice(:low, :middle, :high), place: Place.of_layer(role: "lead").within(section), source: "mix", confidence: lead[:confidence] }
        end
      end

      # @return [Array<Hash>] for each piece of the kit and section the strokes over the bars after which they return: steps of a bar, bars, hits (0 or 1 by step),
      #   velocities, per_beat (steps in a beat), and the piece
      def steps
        patterns do |pattern, section|
          pattern[:rows].map do |row|
            hits = row[:hits].map { |hit| hit.positive? ? 1.0 : 0.0 }
            role = Ethoscope::Layers::Role.of_piece(row[:piece])
            value = { steps: pattern[:steps], bars: row[:period], hits:, velocities: row[:hits], per_beat: pattern[:steps] / @beats, piece: row[:piece] }
            told({ role:, name: row[:layer] == row[:piece] ? role : row[:layer] }, value, section, pattern)
          end
        end
      end

      # @return [Array<Hash>] for each section whose bars depart from its pattern: bar from 1 within it, kind, and strokes
      def departures
        patterns do |pattern, section|
          apart = pattern[:departures].map { |departure| { bar: departure[:bar] - pattern[:first_bar] + 1, **departure.slice(:kind, :strokes) } }
          apart.empty? ? [] : [{ value: apart, place: Place.of_section(section), source: Measured.source(@song.told_by[:drums]), confidence: pattern[:confidence] || 0.0 }]
        end
      end

      private

      def patterns
        @song.data[:drums].flat_map do |pattern|
          section = @song.sections.find { |one| one[:first_bar] == pattern[:first_bar] } || pattern
          yield(pattern, section.merge(bars: pattern[:bars]))
        end
      end

      def told(layer, value, section, pattern)
        place = Place.of_layer(layer).within(section)
        { value:, place:, source: Measured.source(@song.told_by[:drums]), confidence: pattern[:confidence] || 0.0 }
      end

      # Lines that a stem or notes tell; the bass has a place of its own.
      def lines = @song.data[:lines].select { |line| line[:source] != "mix" && line[:role] != "bass" && line[:notes].any? { |note| note[2] } }

      def bass
        notes = @song.data[:bass][:notes].map { |note| { at: ((note[:bar] - 1) * @beats) + note[:beat] - 1, velocity: 1.0, **note.slice(:beats, :pitch, :sure) } }
        layer = @song.data[:lines].find { |line| line[:role] == "bass" && line[:source] == @song.told_by[:bass] }
        by_section({ role: "bass", layer: layer ? layer[:layer] : "bass", source: @song.told_by[:bass] }, notes)
      end

      def by_section(line, notes)
        @song.sections.filter_map do |section|
          inside = within(section, notes)
          next if inside.empty?

          sure = inside.filter_map { |note| note[:sure] }
          { value: inside.map { |note| note.except(:sure) }, place: Place.of_layer(role: line[:role], name: line[:layer]).within(section),
            source: Measured.source(line[:source]), confidence: sure.empty? ? 1.0 : (sure.sum / sure.size).round(3) }
        end
      end

      # What is held over from before sounds from the first beat on; what is left of it after the first moment of the section is no note of it.
      def within(section, notes)
        first = (section[:first_bar] - 1) * @beats
        last = first + (section[:bars] * @beats)
        notes.filter_map do |note|
          next if note[:pitch].nil? || note[:at] + note[:beats] <= first + EARLY_BEATS || note[:at] >= last - EARLY_BEATS || left_over?(note, first)

          at = [note[:at], first].max
          bar, beat = (at - first + EARLY_BEATS).divmod(@beats)
          { bar: bar.to_i + 1, beat: [beat + 1 - EARLY_BEATS, 1.0].max.round(3), beats: ([note[:at] + note[:beats], last].min - at).round(3),
            **note.slice(:pitch, :velocity, :sure) }
        end
      end

      def left_over?(note, first) = note[:at] < first - EARLY_BEATS && note[:at] + note[:beats] < first + TAIL_BEATS
    end
  end
end
