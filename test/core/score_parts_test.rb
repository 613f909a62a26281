# frozen_string_literal: true

require_relative "../test_helper"

# Which part of a score plays which role, and what its notes tell.
class ScorePartsTest < Ethoscope::TestCase
  Midi = Ethoscope::Midi

  def parts(tracks, **options) = Midi::Parts.of(Midi::ScoreReader.read(MidiFile.bytes(tracks, **options)))

  def test_names_tell_roles
    { "Kick" => "kick", "BD 2" => "kick", "HiHat" => "hats", "Clap" => "snare", "SubBass" => "bass", "Strings_L" => "strings", "lead synth" => "lead", "chords.m99" => "chords",
      "Vox double" => "vocal", "tambourine" => "percussion", "Reverb return" => "return", "Drums" => "drums", "07 Pad" => "pad" }.each do |name, role|
      assert_equal role, Ethoscope::Layers::Role.named(name), name
    end
    assert_nil Ethoscope::Layers::Role.named("Audio 12")
  end

  def test_a_drum_track_falls_into_its_pieces
    found = parts([["Kit", 9, [[0, 0.1, 36], [1, 0.1, 38], [0.5, 0.1, 42], [2, 0.1, 75]]]])

    assert_equal({ "Kit kick" => "kick", "Kit snare" => "snare", "Kit hats" => "hats", "Kit percussion" => "percussion" }, found.to_h { |part| [part.name, part.role] })
  end

  def test_programs_and_the_way_a_part_is_written
    chords = Array.new(4) { |i| [60, 64, 67].map { |pitch| [i, 1, pitch] } }.flatten(1)

    assert_equal ["strings"], parts([["Track 1", 0, chords]], program: 48).map(&:role)
    assert_equal ["chords"], parts([["Track 1", 0, chords]], program: 0).map(&:role)
    assert_equal ["lead"], parts([["Track 1", 0, [[0, 1, 72], [1, 1, 74]]]], program: 0).map(&:role)
    assert_equal ["bass"], parts([["Track 1", 0, [[0, 1, 36], [1, 1, 38]]]]).map(&:role)
  end

  def test_a_person_has_the_last_word
    score = Midi::ScoreReader.read(MidiFile.bytes([["Pad", 0, [[0, 1, 60]]]]))

    assert_equal ["texture"], Midi::Parts.of(score, { "Pad" => "texture" }).map(&:role)
  end

  def test_what_the_notes_of_a_part_tell
    notes = Array.new(32) { |i| [(i / 2.0) + (i.odd? ? 0.01 : 0.0), 0.5, [60, 64][i % 2], i.even? ? 100 : 60] }
    score = Midi::ScoreReader.read(MidiFile.bytes([["Lead", 0, notes]]))
    placement = Midi::Placement.new(score:, kind: :clock, offset: 0.0, scale: 1.0, edges: nil, agreement: 1.0)
    study = Midi::PartStudy.new(Midi::Parts.of(score).first, placement, Stage.grid(bars: 4)).to_h

    assert_equal [32, 60, 64, 1, "eighths", 1], study.values_at(:notes, :low, :high, :polyphony, :grid, :period)
    assert_equal({ low: 60, high: 100, by_sixteenth: [100, nil, 60, nil] }, study[:velocity].slice(:low, :high, :by_sixteenth))
    assert_in_delta 3.5, study[:residual_ms], 0.3
  end

  def test_a_file_that_lies_a_hair_early_keeps_its_first_beats
    notes = Array.new(4) { |bar| [bar * 4, 1, 60] }
    score = Midi::ScoreReader.read(MidiFile.bytes([["Lead", 0, notes]]))
    placement = Midi::Placement.new(score:, kind: :clock, offset: -0.015, scale: 1.0, edges: nil, agreement: 1.0)
    study = Midi::PartStudy.new(Midi::Parts.of(score).first, placement, Stage.grid(bars: 4)).to_h

    assert_equal [[[0, 60]], 1], study.values_at(:pattern, :period)
  end

  def test_placements_read_places_by_clock_and_by_beats
    score = Midi::ScoreReader.read(MidiFile.bytes([["a", 0, [[0, 4, 60]]]]))
    clock = Midi::Placement.new(score:, kind: :clock, offset: 1.5, scale: 2.0, edges: nil, agreement: 1.2)
    beats = Midi::Placement.new(score:, kind: :beats, offset: 0.0, scale: 1.0, edges: [0.0, 0.6, 1.1, 1.7], agreement: 0.3)

    assert_in_delta 3.5, clock.seconds(2)
    assert_in_delta 0.85, beats.seconds(1.5)
    assert_predicate clock, :believable?
    refute_predicate beats, :believable?
  end
end
