# frozen_string_literal: true

require_relative "../test_helper"

# MIDI files as they come: well made, careless, and broken.
class ScoreReaderTest < Ethoscope::TestCase
  Midi = Ethoscope::Midi
  Unreadable = Ethoscope::Errors::UnreadableScore

  def test_notes_tempo_meter_key_and_markers
    score = Midi::ScoreReader.read(MidiFile.bytes([["Lead", 0, [[0, 1, 60, 100], [1, 0.5, 64, 70]]]], bpm: 100, meter: [3, 2], markers: [[3, "chorus"]]))
    note = score.notes.last

    assert_equal ["Lead", [1.0, 0.5, 64, 70, 0]], [score.tracks.first.name, [note.start, note.length, note.pitch, note.velocity, note.channel]]
    assert_equal [[0.0, 100.0]], score.tempos.map(&:to_a)
    assert_equal [3, 4, 3.0], [score.meter.numerator, score.meter.denominator, score.quarters_per_bar]
    assert_equal [[0.0, -3, true]], score.keys.map(&:to_a)
    assert_equal [[3.0, "chorus"]], score.markers.map(&:to_a)
    assert_empty score.warnings
  end

  def test_seconds_follow_the_tempo_map
    score = Midi::ScoreReader.read(MidiFile.bytes([["a", 0, [[0, 12, 60]]]], bpm: 120, tempos: [[4, 60]]))

    assert_in_delta 2.0, score.seconds(4), 1e-6
    assert_in_delta 6.0, score.seconds(8), 1e-6
    assert_in_delta 60.0, score.bpm
  end

  def test_running_status_and_velocity_zero_as_an_end
    body = "\x00\x90\x3C\x40\x83\x60\x3C\x00\x00\x40\x40\x83\x60\x40\x00".b + MidiFile::END_OF_TRACK
    notes = Midi::ScoreReader.read(MidiFile.raw(body, format: 0)).notes

    assert_equal([[0.0, 1.0, 60], [1.0, 1.0, 64]], notes.map { |note| [note.start, note.length, note.pitch] })
  end

  def test_a_ten_minute_hanging_note_is_cut_to_a_quarter_and_said
    score = Midi::ScoreReader.read(MidiFile.bytes([["pad", 0, [[0, 1200, 60], [4, 1, 64]]]]))

    assert_equal [1.0, 1.0], score.notes.map(&:length)
    assert_match(/1 note never ended/, score.warnings.join)
    never = Midi::ScoreReader.read(MidiFile.raw("\x00\x90\x3C\x40\x00\x90\x40\x40\x83\x60\x80\x40\x00".b + MidiFile::END_OF_TRACK))

    assert_equal [1.0, 1.0], never.notes.map(&:length)
    assert_match(/never ended/, never.warnings.join)
  end

  def test_notes_without_length_and_overlapping_ones
    score = Midi::ScoreReader.read(MidiFile.raw("\x00\x90\x3C\x40\x00\x80\x3C\x40\x83\x60\x90\x40\x40\x60\x90\x40\x40\x60\x80\x40\x00\x60\x80\x40\x00".b + MidiFile::END_OF_TRACK))

    assert_equal([0.125, 0.4, 0.4], score.notes.map { |note| note.length.round(6) })
    assert_match(/1 note had no length/, score.warnings.join)
    assert_match(/1 note began before the same pitch ended/, score.warnings.join)
  end

  def test_chunks_that_are_no_tracks_are_passed_over
    whole = MidiFile.bytes([["Lead", 0, [[0, 1, 60]]]])
    alien = "XFIH\x00\x00\x00\x06abcdef".b
    score = Midi::ScoreReader.read(whole[0, 14] + alien + whole[14..] + alien)

    assert_equal [60], score.notes.map(&:pitch)
    assert_empty score.warnings
  end

  def test_a_file_that_is_far_too_long_says_how_long_it_is
    error = assert_raises(Unreadable) { Midi::ScoreReader.read(MidiFile.bytes([["far", 0, [[0, 1, 60], [20_000, 1, 60]]]])) }

    assert_equal "This MIDI file lasts 166:40 minutes; 20:00 is the most. Cut out the song and drop that.", error.message
  end

  def test_more_than_a_hundred_thousand_events
    many = Array.new(51_000) { |i| [i / 16.0, 0.05, 40 + (i % 40), 80] }
    score = Midi::ScoreReader.read(MidiFile.bytes([["many", 0, many]], bpm: 240))

    assert_equal 51_000, score.notes.size
  end

  def test_sixty_four_tracks
    tracks = Array.new(64) { |i| ["Track #{i}", i % 9, [[i, 1, 60]]] }

    assert_equal 64, Midi::ScoreReader.read(MidiFile.bytes(tracks)).tracks.size
  end

  def test_a_truncated_chunk_keeps_what_stands_before_it
    bytes = MidiFile.bytes([["Lead", 0, Array.new(40) { |i| [i, 1, 60] }]])
    score = Midi::ScoreReader.read(bytes[0, bytes.bytesize - 120])

    assert_operator score.notes.size, :>, 10
    assert_match(/cut off/, score.warnings.join)
  end

  def test_what_is_no_midi_file_is_refused_with_a_reason
    { "" => /empty/, "Dear sir,\nthis is text that was renamed." => /not a MIDI file/, "MThd\x00\x00".b => /cut off before its first note/,
      MidiFile.raw(MidiFile::END_OF_TRACK) => /no notes/, MidiFile.raw(MidiFile::END_OF_TRACK, format: 2) => /type 2/,
      MidiFile.raw(MidiFile::END_OF_TRACK, division: 0xE728) => /frames of film/ }.each do |bytes, reason|
      assert_match reason, assert_raises(Unreadable) { Midi::ScoreReader.read(bytes) }.message
    end
  end

  def test_random_bytes_after_a_header_never_crash
    random = Random.new(3)
    50.times do
      bytes = MidiFile.raw(random.bytes(random.rand(5..400)))
      begin
        Midi::ScoreReader.read(bytes)
      rescue Unreadable => e
        refute_empty e.message
      end
    end
  end

  def test_tempi_and_signatures_that_make_no_sense_are_passed_over
    body = "\x00\xFF\x51\x03\x00\x00\x01\x00\xFF\x58\x04\x00\x09\x18\x08\x00\x90\x3C\x40\x60\x80\x3C\x00".b + MidiFile::END_OF_TRACK
    score = Midi::ScoreReader.read(MidiFile.raw(body))

    assert_in_delta 120.0, score.bpm
    assert_equal 4, score.meter.numerator
    assert_match(/1 tempo outside/, score.warnings.join)
  end
end
