# frozen_string_literal: true

require_relative "../../test_helper"

# Pitched layers that notes of both songs tell.
class TunesTest < Ethoscope::TestCase
  TUNE = { 0 => [[0, 69], [1, 72], [2, 76], [3, 74]], 1 => [[0, 72], [1.5, 71], [3, 67]] }.freeze

  def tune(bar) = TUNE.fetch(bar % 2)

  def song(seed: 1, role: "lead", up: 0, &changed)
    DrawnSong.new(seed:, up:).write(role) { |bar| changed ? yield(bar, tune(bar)) : tune(bar) }
  end

  def differences(attempt, reference: song) = Attempts::SideBySide.new(reference.analysis, attempt.analysis).differences

  def only(...)
    found = differences(...)

    assert_equal 1, found.size, found.map(&:words)
    found.first
  end

  def test_the_same_notes_in_another_key_are_the_same
    assert_empty differences(song(seed: 2))
    assert_equal(["key"], differences(song(seed: 2, up: 3)).map(&:kind))
  end

  def test_a_tune_with_other_notes_in_some_bars
    found = only(song(seed: 2) { |bar, notes| bar.between?(13, 20) ? notes.map { |beat, pitch| [beat, pitch + 2] } : notes })

    assert_equal ["line", "lead", [[13, 20]], "lines.notes"], [found.kind, found.role, found.bars, found.measure]
    assert_equal "The lead plays other notes in bars 13 to 20 (chorus): 100 % of them are not those of the reference.", found.words
    assert_in_delta 5.0, found.size
  end

  def test_a_note_or_two_that_differ_are_within_the_tolerance
    assert_empty differences(song(seed: 2) { |bar, notes| bar == 14 ? notes.map { |beat, _| [beat, 60] } : notes })
  end

  def test_a_tune_an_octave_lower
    found = only(song(seed: 2) { |bar, notes| bar >= 29 ? notes.map { |beat, pitch| [beat, pitch - 12] } : notes })

    assert_equal ["register", [[29, 36]], "semitones"], [found.kind, found.bars, found.unit]
    assert_match(/The lead lies an octave lower in bars 29 to 36/, found.words)
  end

  def test_a_layer_that_rests_or_plays_where_the_other_does_not
    gone = only(song(seed: 2) { |bar, notes| bar.between?(5, 12) ? [] : notes })
    more = only(song(seed: 2), reference: song { |bar, notes| bar.between?(5, 12) ? [] : notes })

    assert_equal ["layer_missing", "lead", [[5, 12]]], [gone.kind, gone.role, gone.bars]
    assert_equal ["layer_extra", "lead", [[5, 12]]], [more.kind, more.role, more.bars]
  end

  def test_a_bass_that_notes_tell_needs_not_be_heard
    bass = ->(seed, by) { DrawnSong.new(seed:).write("bass") { |bar| [[0, 33], [2, 33 + (bar % 5)]].map { |beat, pitch| [beat, pitch + (bar.between?(13, 20) ? by : 0)] } } }
    found = only(bass.call(2, 12), reference: bass.call(1, 0))

    assert_equal ["bass_octave", nil, [[13, 20]]], [found.kind, found.role, found.bars]
  end

  def test_verbs_go_with_the_names_of_layers
    found = only(song(seed: 2, role: "strings") { |bar, notes| bar.between?(13, 20) ? [] : notes }, reference: song(role: "strings"))

    assert_equal "The strings are missing in bars 13 to 20 (chorus).", found.words
  end

  def test_where_the_chord_is_another_one_so_are_the_notes
    tune = song(seed: 2) { |bar, notes| [13, 14, 15].include?(bar) ? notes.map { |beat, pitch| [beat, pitch + 1] } : notes }

    assert_equal(["line"], differences(tune).map(&:kind))
    assert_equal(["chord"], differences(tune.change(13..15) { |bar| bar.chord = "B:min" }).map(&:kind).uniq)
  end

  def test_a_layer_that_only_one_of_both_tells_is_not_compared
    assert_empty differences(DrawnSong.new(seed: 2))
  end
end
