# frozen_string_literal: true

module Ethoscope
  module Export
    # A song as a standard MIDI file: tempo map, time signature, section markers, block chords (as voiced, where somebody said how) and their lowest
    # notes. Bar 1 of the song is bar 1 of the file; a pickup is left out, but for a chord that goes on from it.
    class SongMidi
      CHORD_OCTAVE = 60
      BASS_OCTAVE = 36
      CHORD_VELOCITY = 80
      BASS_VELOCITY = 96
      PITCHES = (0..127)

      # @param song [Handout]
      # @return [String] the bytes of the file
      def self.write(song) = Midi::Writer.new(new(song.vector).score, song.title).to_s

      # @param vector [Measures::Vector]
      def initialize(vector)
        @vector = vector
        @meter = Rhythm::Meter.named(vector.value("time.meter"))
      end

      # @return [Midi::Score]
      def score
        Midi::Score.new(tracks: [chords, bass], tempos:, keys: [], warnings: [],
          meters: [Midi::Score::TimeSignature.new(at: 0, numerator: @meter.numerator, denominator: @meter.denominator)],
          markers: places.map { |place| Midi::Score::Marker.new(at: bar_place(place.first_bar), text: "#{place.letter} #{place.label}") })
      end

      private

      def places = @vector.of("form.section").map(&:place)

      # MIDI counts quarters; a beat may be a dotted quarter or an eighth. A moving tempo has a figure for each bar.
      def tempos
        course = @vector.value("time.course") or return [Midi::Score::Tempo.new(at: 0, bpm: Midi::Score::USUAL_BPM)]
        course.each_with_index.map { |bpm, i| Midi::Score::Tempo.new(at: bar_place(i + 1), bpm: bpm * @meter.quarters_per_beat) }
      end

      # Quarters from the start of the file.
      def bar_place(bar) = (bar - 1) * @meter.beats * @meter.quarters_per_beat

      def chords = track("Chords", CHORD_VELOCITY, 0) { |symbol, voicing| voicing || symbol.pitches(CHORD_OCTAVE) }

      def bass = track("Bass", BASS_VELOCITY, 1) { |symbol, _| [BASS_OCTAVE + symbol.lowest] }

      def track(name, velocity, channel)
        notes = sounding.flat_map do |symbol, voicing, from, length|
          yield(symbol, voicing).map { |pitch| Midi::Note.new(start: from, length:, pitch:, velocity:, channel:) }
        end
        Midi::Score::Track.new(name:, program: nil, notes:)
      end

      # Each chord with its voicing, where it starts and how long it lasts, in quarters.
      def sounding
        @sounding ||= @vector.of("harmony.chords").flat_map do |told|
          voicings = voicings_at(told.place)
          told.value.map do |chord|
            from = bar_place(told.place.first_bar + chord[:bar] - 1) + ((chord[:beat] - 1) * @meter.quarters_per_beat)
            [Harmony::ChordSymbol.parse(chord[:symbol]), voicings[chord[:symbol]], from, chord[:beats] * @meter.quarters_per_beat]
          end
        end
      end

      # What a person or a MIDI file says of the very notes, by symbol.
      def voicings_at(place)
        told = @vector.of("harmony.voicings").find { |voiced| voiced.place == place } or return {}
        told.value.to_h { |voicing| [voicing[:symbol], Measures::SongHarmony.pitches(voicing)] }.select { |_, pitches| pitches.all? { |pitch| PITCHES.cover?(pitch) } }
      end
    end
  end
end
