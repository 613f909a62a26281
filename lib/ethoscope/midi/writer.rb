# frozen_string_literal: true

require "midilib"
require "stringio"

module Ethoscope
  module Midi
    # Writes a {Score} as a standard MIDI file of format 1 (Standard MIDI Files 1.0): a first track with name, tempos, time signatures, keys and markers,
    # then its tracks of notes. What {ScoreReader} reads back is the same score, to a pulse.
    class Writer
      # Pulses of a quarter note.
      PULSES = 480
      # MIDI clocks of a quarter, and thirty-seconds of one.
      CLOCKS = 24
      THIRTY_SECONDS = 8
      # Tempos that differ by less are one.
      SAME_BPM = 0.005

      # @param score [Score]
      # @param name [String] of the sequence
      def initialize(score, name)
        @score = score
        @name = name
      end

      # @return [String] the bytes of the file
      def to_s
        sequence = MIDI::Sequence.new
        sequence.ppqn = PULSES
        [conductor, *@score.tracks.map { |track| events_of(track) }].each { |events| sequence.tracks << track(sequence, events) }
        StringIO.new("".b).tap { |out| sequence.write(out) }.string
      end

      private

      def conductor
        tempos = @score.tempos.chunk_while { |one, other| (one.bpm - other.bpm).abs < SAME_BPM }.map(&:first)
        [[0, MIDI::MetaEvent.new(MIDI::META_SEQ_NAME, ascii(@name))],
         # The denominator is written as a power of two.
         *@score.meters.map { |meter| [meter.at, MIDI::TimeSig.new(meter.numerator, Math.log2(meter.denominator).to_i, click(meter), THIRTY_SECONDS)] },
         *@score.keys.map { |key| [key.at, MIDI::KeySig.new(key.fifths, key.minor)] },
         *tempos.map { |tempo| [tempo.at, MIDI::Tempo.new(MIDI::Tempo.bpm_to_mpq(tempo.bpm).round)] },
         *@score.markers.map { |marker| [marker.at, MIDI::MetaEvent.new(MIDI::META_MARKER, ascii(marker.text))] }]
      end

      # The metronome clicks on what a person taps.
      def click(meter)
        felt = Rhythm::Meter::ALL.find { |known| [known.numerator, known.denominator] == [meter.numerator, meter.denominator] }
        ((felt ? felt.quarters_per_beat : 4.0 / meter.denominator) * CLOCKS).round
      end

      def events_of(track)
        channel = track.notes.first&.channel || 0
        [[0, MIDI::MetaEvent.new(MIDI::META_SEQ_NAME, ascii(track.name))],
         *(track.program && [[0, MIDI::ProgramChange.new(channel, track.program)]]),
         *track.notes.flat_map do |note|
           [[note.start, MIDI::NoteOn.new(note.channel, note.pitch, note.velocity)], [note.end, MIDI::NoteOff.new(note.channel, note.pitch, note.velocity)]]
         end]
      end

      # Ends come before starts at one moment, so that repeated notes sound again.
      def track(sequence, events)
        track = MIDI::Track.new(sequence)
        placed = events.map { |at, event| event.tap { event.time_from_start = (at * PULSES).round } }
        order = placed.each_with_index.sort_by { |event, i| [event.time_from_start, event.is_a?(MIDI::NoteOff) ? 0 : 1, i] }
        track.events.replace(order.map(&:first))
        track.recalc_delta_from_times
        track
      end

      # Names and markers are plain text in most readers.
      def ascii(text) = text.encode("US-ASCII", invalid: :replace, undef: :replace, replace: "?")
    end
  end
end
