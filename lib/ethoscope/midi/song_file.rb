# frozen_string_literal: true

require "midilib"
require "stringio"

module Ethoscope
  module Midi
    # An analysis as a standard MIDI file: tempo map, time signature, section markers, block chords (as voiced, where somebody said how) and
    # their lowest notes. Bar 1 of the song is bar 1 of the file; a pickup is left out, but for a chord that goes on from it.
    class SongFile
      PULSES = 480
      CHORD_OCTAVE = 60
      BASS_OCTAVE = 36
      CHORD_VELOCITY = 80
      BASS_VELOCITY = 96

      # @param analysis [Analysis]
      # @param title [String] the sequence's name
      def initialize(analysis, title)
        @data = analysis.to_h
        @title = title
        @meter = Rhythm::Meter.named(@data[:meter])
        @beat = (@meter.quarters_per_beat * PULSES).round
      end

      # @return [String] the bytes of the file
      def to_s
        sequence = MIDI::Sequence.new
        sequence.ppqn = PULSES
        sequence.tracks << conductor(sequence) << chords(sequence) << bass(sequence)
        out = StringIO.new("".b)
        sequence.write(out)
        out.string
      end

      private

      def conductor(sequence)
        events = [[0, MIDI::MetaEvent.new(MIDI::META_SEQ_NAME, ascii(@title))], [0, time_signature]]
        tempos.each { |pulse, bpm| events << [pulse, MIDI::Tempo.new(MIDI::Tempo.bpm_to_mpq(bpm).round)] }
        @data[:sections].each { |section| events << [bar_pulse(section[:first_bar]), MIDI::MetaEvent.new(MIDI::META_MARKER, ascii("#{section[:letter]} #{section[:label]}"))] }
        track(sequence, "Tempo and form", events)
      end

      # The denominator is written as a power of two; the click falls on the beat.
      def time_signature
        MIDI::TimeSig.new(@meter.numerator, Math.log2(@meter.denominator).to_i, 24, 8)
      end

      # MIDI counts quarters; a beat may be a dotted quarter or an eighth.
      def tempos
        return [[0, 120.0]] if @data[:tempo_map].empty?

        changes = @data[:tempo_map].map { |entry| [bar_pulse(entry[:bar]), entry[:bpm] * @meter.quarters_per_beat] }
        changes.chunk_while { |a, b| (a[1] - b[1]).abs < 0.005 }.map(&:first)
      end

      def bar_pulse(bar) = (bar - 1) * @meter.beats * @beat

      def chords(sequence)
        track(sequence, "Chords", notes(CHORD_VELOCITY, 0) { |entry, symbol| voicing(entry) || symbol.pitches(CHORD_OCTAVE) })
      end

      def bass(sequence)
        track(sequence, "Bass", notes(BASS_VELOCITY, 1) { |_, symbol| [BASS_OCTAVE + symbol.lowest] })
      end

      # What a person or a MIDI file says of the very notes.
      def voicing(entry)
        names = [entry[:voicing], entry[:written]].find { |list| list && !list.empty? } or return nil
        pitches = names.map { |name| Harmony::NoteName.parse(name) }
        pitches.all? { |pitch| pitch.between?(0, 127) } ? pitches : nil
      end

      def notes(velocity, channel)
        sounding.flat_map do |entry, symbol|
          from = bar_pulse(entry[:bar]) + ((entry[:beat] - 1) * @beat).round
          start = [from, 0].max
          stop = from + (entry[:beats] * @beat).round
          yield(entry, symbol).flat_map { |note| [[start, MIDI::NoteOn.new(channel, note, velocity)], [stop, MIDI::NoteOff.new(channel, note, velocity)]] }
        end
      end

      # Chords that are heard after the first bar line.
      def sounding
        entries = @data[:chords].select { |entry| (bar_pulse(entry[:bar]) + ((entry[:beat] - 1 + entry[:beats]) * @beat).round).positive? }
        entries.map { |entry| [entry, Harmony::ChordSymbol.parse(entry[:symbol])] }.reject { |_, symbol| symbol.none? }
      end

      def track(sequence, name, events)
        track = MIDI::Track.new(sequence)
        track.events << MIDI::MetaEvent.new(MIDI::META_SEQ_NAME, name) unless name == "Tempo and form"
        events.each do |pulse, event|
          event.time_from_start = pulse
          track.events << event
        end
        # Ends come before starts at one moment, so that repeated notes sound again.
        order = track.events.each_with_index.sort_by { |event, i| [event.time_from_start, event.is_a?(MIDI::NoteOff) ? 0 : 1, i] }
        track.events.replace(order.map(&:first))
        track.recalc_delta_from_times
        track
      end

      # Markers are plain text in most readers.
      def ascii(text) = text.encode("US-ASCII", invalid: :replace, undef: :replace, replace: "?")
    end
  end
end
