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

      # @param song [Song]
      # @return [String] the bytes of the file
      def self.write(song) = Midi::Writer.new(new(song.analysis).score, song.title).to_s

      # @param analysis [Analysis]
      def initialize(analysis)
        @data = analysis.to_h
        @meter = Rhythm::Meter.named(@data[:meter])
      end

      # @return [Midi::Score]
      def score
        Midi::Score.new(tracks: [chords, bass], tempos:, keys: [], warnings: [],
          meters: [Midi::Score::TimeSignature.new(at: 0, numerator: @meter.numerator, denominator: @meter.denominator)],
          markers: @data[:sections].map { |section| Midi::Score::Marker.new(at: bar_place(section[:first_bar]), text: "#{section[:letter]} #{section[:label]}") })
      end

      private

      # MIDI counts quarters; a beat may be a dotted quarter or an eighth.
      def tempos
        return [Midi::Score::Tempo.new(at: 0, bpm: Midi::Score::USUAL_BPM)] if @data[:tempo_map].empty?

        @data[:tempo_map].map { |entry| Midi::Score::Tempo.new(at: bar_place(entry[:bar]), bpm: entry[:bpm] * @meter.quarters_per_beat) }
      end

      # Quarters from the start of the file.
      def bar_place(bar) = (bar - 1) * @meter.beats * @meter.quarters_per_beat

      def chords = track("Chords", CHORD_VELOCITY, 0) { |entry, symbol| voicing(entry) || symbol.pitches(CHORD_OCTAVE) }

      def bass = track("Bass", BASS_VELOCITY, 1) { |_, symbol| [BASS_OCTAVE + symbol.lowest] }

      # What a person or a MIDI file says of the very notes.
      def voicing(entry)
        names = [entry[:voicing], entry[:written]].find { |list| list && !list.empty? } or return nil
        pitches = names.map { |name| Harmony::NoteName.parse(name) }
        pitches.all? { |pitch| PITCHES.cover?(pitch) } ? pitches : nil
      end

      def track(name, velocity, channel)
        notes = sounding.flat_map do |entry, symbol, from, to|
          yield(entry, symbol).map { |pitch| Midi::Note.new(start: from, length: to - from, pitch:, velocity:, channel:) }
        end
        Midi::Score::Track.new(name:, program: nil, notes:)
      end

      # Chords that are heard after the first bar line, with where they start and end.
      def sounding
        @data[:chords].filter_map do |entry|
          from = bar_place(entry[:bar]) + ((entry[:beat] - 1) * @meter.quarters_per_beat)
          to = from + (entry[:beats] * @meter.quarters_per_beat)
          symbol = Harmony::ChordSymbol.parse(entry[:symbol]) if to.positive?
          [entry, symbol, [from, 0].max, to] unless symbol.nil? || symbol.none?
        end
      end
    end
  end
end
