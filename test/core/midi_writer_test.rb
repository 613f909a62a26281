# frozen_string_literal: true

require_relative "../test_helper"

# A score that is written is the score that is read back.
class MidiWriterTest < Ethoscope::TestCase
  Score = Ethoscope::Midi::Score
  Note = Ethoscope::Midi::Note

  def score(**parts)
    Score.new(tracks: [track("Keys", [note(0, 1, 60), note(1, 0.5, 64)])], tempos: [Score::Tempo.new(at: 0, bpm: 96.0)],
      meters: [Score::TimeSignature.new(at: 0, numerator: 3, denominator: 4)], keys: [], markers: [], warnings: [], **parts)
  end

  def track(name, notes, program: nil) = Score::Track.new(name:, program:, notes:)

  def note(start, length, pitch, channel: 0, velocity: 90) = Note.new(start: start.to_f, length: length.to_f, pitch:, velocity:, channel:)

  def back(written, name = "Song") = Ethoscope::Midi::ScoreReader.read(Ethoscope::Midi::Writer.new(written, name).to_s)

  def test_notes_come_back_where_they_were
    read = back(score)

    assert_equal([[0.0, 1.0, 60, 90], [1.0, 0.5, 64, 90]], read.notes.map { |one| one.to_h.values_at(:start, :length, :pitch, :velocity) })
    assert_empty read.warnings
  end

  def test_tempo_map_meter_key_and_markers_come_back
    tempos = [[0, 96.0], [12, 120.0]].map { |at, bpm| Score::Tempo.new(at:, bpm:) }
    read = back(score(tempos:, keys: [Score::KeySignature.new(at: 0, fifths: -3, minor: true)], markers: [Score::Marker.new(at: 6, text: "chorus")]))

    assert_equal([[0, 96.0], [12, 120.0]], read.tempos.map { |tempo| [tempo.at, tempo.bpm.round(2)] })
    assert_equal [3, 4], [read.meter.numerator, read.meter.denominator]
    assert_equal([[-3, true]], read.keys.map { |key| [key.fifths, key.minor] })
    assert_equal([[6, "chorus"]], read.markers.map { |marker| [marker.at, marker.text] })
  end

  def test_tempos_that_hardly_differ_are_one
    tempos = [[0, 96.0], [3, 96.002], [6, 97.0]].map { |at, bpm| Score::Tempo.new(at:, bpm:) }

    assert_equal [0, 6], back(score(tempos:)).tempos.map(&:at)
  end

  def test_tracks_keep_their_names_programs_and_channels
    drums = track("Kit", [note(0, 0.25, 36, channel: Score::DRUM_CHANNEL)])
    read = back(score(tracks: [track("Organ", [note(0, 4, 48)], program: 16), drums]))

    assert_equal([["Organ", 16], ["Kit", nil]], read.tracks.map { |one| [one.name, one.program] })
    assert_predicate read.tracks.last.notes.first, :drum?
  end

  def test_a_note_that_is_struck_again_at_once_ends_before_it_begins
    read = back(score(tracks: [track("Keys", [note(0, 1, 60), note(1, 1, 60)])]))

    assert_equal([[0.0, 1.0], [1.0, 1.0]], read.notes.map { |one| [one.start, one.length] })
  end

  def test_a_name_in_another_script_is_still_a_file
    assert_equal 2, back(score, "ねこ ♭").notes.size
  end
end
