# frozen_string_literal: true

module Ethoscope
  module Export
    # What each layer of a song plays as a standard MIDI file, a track a layer, under the tempo map, meter and markers of {SongMidi}: strokes on the drum
    # channel by the key map of General MIDI 1, notes as they were told. Bar 1 of the song is bar 1 of the file.
    class PlayedMidi
      KEYS = { "kick" => 36, "snare" => 38, "hats" => 42, "percussion" => 70 }.freeze
      # What is struck without a known piece.
      OTHER = 76
      LOUDEST = 127
      CHANNELS = ((0..15).to_a - [Midi::Score::DRUM_CHANNEL]).freeze

      # @param song [Handout]
      # @return [String] the bytes of the file
      def self.write(song) = Midi::Writer.new(new(song).score, song.title).to_s

      # @param song [Handout]
      def initialize(song)
        @lines = song.analysis.fetch(:lines)
        @whole = SongMidi.new(song.vector).score
        @quarters = Rhythm::Meter.named(song.analysis.fetch(:meter)).quarters_per_beat
      end

      # @return [Midi::Score]
      def score
        Midi::Score.new(tracks: @lines.each_with_index.map { |line, i| track(line, CHANNELS[i % CHANNELS.size]) }.reject { |track| track.notes.empty? },
          tempos: @whole.tempos, meters: @whole.meters, keys: [], markers: @whole.markers, warnings: [])
      end

      private

      def track(line, channel)
        Midi::Score::Track.new(name: line[:layer], program: nil, notes: line[:notes].filter_map { |note| note(note, line[:role], channel) })
      end

      # What comes before bar 1 is left out.
      def note((beat, beats, pitch, velocity), role, channel)
        return nil if beat.negative? || !beats.positive?

        Midi::Note.new(start: beat * @quarters, length: beats * @quarters, pitch: pitch || KEYS.fetch(role, OTHER), velocity: (velocity * LOUDEST).round.clamp(1, LOUDEST),
          channel: pitch ? channel : Midi::Score::DRUM_CHANNEL)
      end
    end
  end
end
