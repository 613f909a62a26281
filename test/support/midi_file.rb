# frozen_string_literal: true

require "midilib"
require "stringio"

# Standard MIDI files for tests, written event by event.
module MidiFile
  PULSES = 480

  module_function

  # Tracks are [name, channel, notes]; notes [quarter, length, pitch, velocity].
  def bytes(tracks, bpm: 120, meter: [4, 2], markers: [], tempos: [], program: nil)
    sequence = MIDI::Sequence.new
    sequence.ppqn = PULSES
    sequence.tracks << conductor(sequence, bpm, meter, markers, tempos)
    tracks.each { |name, channel, notes| sequence.tracks << track(sequence, name, channel, notes, program) }
    StringIO.new("".b).tap { |out| sequence.write(out) }.string
  end

  def conductor(sequence, bpm, meter, markers, tempos)
    timed(sequence, [[0, MIDI::Tempo.new(MIDI::Tempo.bpm_to_mpq(bpm))], [0, MIDI::TimeSig.new(*meter, 24, 8)], [0, MIDI::KeySig.new(-3, true)],
                     *tempos.map { |at, value| [at, MIDI::Tempo.new(MIDI::Tempo.bpm_to_mpq(value))] },
                     *markers.map { |at, text| [at, MIDI::MetaEvent.new(MIDI::META_MARKER, text)] }])
  end

  def track(sequence, name, channel, notes, program)
    events = notes.flat_map { |at, length, pitch, velocity| [[at, MIDI::NoteOn.new(channel, pitch, velocity || 90)], [at + length, MIDI::NoteOff.new(channel, pitch, 0)]] }
    events.unshift([0, MIDI::ProgramChange.new(channel, program)]) if program
    timed(sequence, [[0, MIDI::MetaEvent.new(MIDI::META_SEQ_NAME, name)], *events])
  end

  def timed(sequence, events)
    track = MIDI::Track.new(sequence)
    events.each_with_index.sort_by { |(at, event), i| [at, event.is_a?(MIDI::NoteOff) ? 0 : 1, i] }.each do |(at, event), _|
      event.time_from_start = (at * PULSES).round
      track.events << event
    end
    track.recalc_delta_from_times
    track
  end

  # A file from raw track bytes, for what a library would not write.
  def raw(*tracks, format: 1, division: PULSES)
    ["MThd", 6, format, tracks.size, division].pack("A4Nn3") + tracks.map { |body| ["MTrk", body.bytesize].pack("A4N") + body }.join
  end

  END_OF_TRACK = "\x00\xFF\x2F\x00".b.freeze
end
