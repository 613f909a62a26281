# frozen_string_literal: true

require_relative "../test_helper"

# What chords do in a key, how phrases end, and what sounds from outside.
class FunctionTest < Ethoscope::TestCase
  Harmony = Ethoscope::Harmony
  Chord = Harmony::Chord
  C_MAJOR = Harmony::Key.named("C", "major")
  A_MINOR = Harmony::Key.named("A", "minor")

  def function(root, quality, key = C_MAJOR, following: nil)
    Harmony::Function.of(Chord.on(root, quality), key, following && Chord.on(*following)).then { |found| [found.kind, found.of] }
  end

  def test_chords_of_the_scale_are_diatonic
    assert_equal(["diatonic", nil], function(2, "min7"))
    assert_equal(["diatonic", nil], function(4, "7", A_MINOR))
    assert_nil Harmony::Function.of(Chord.none, C_MAJOR)
  end

  def test_a_dominant_seventh_on_the_second_degree_is_a_secondary_dominant
    assert_equal(["secondary dominant", "V"], function(2, "7"))
    assert_equal(["secondary dominant", "VI"], function(4, "maj", following: [9, "min"]))
    assert_equal(["secondary dominant", "II"], function(1, "dim7", following: [2, "min"]))
  end

  def test_chords_of_the_parallel_scale_are_borrowed
    assert_equal(["borrowed", "C minor"], function(5, "min"))
    assert_equal(["borrowed", "C minor"], function(8, "maj"))
    assert_equal(["borrowed", "A dorian"], function(2, "maj", A_MINOR))
  end

  def test_a_chord_that_slides_by_a_semitone_is_a_chromatic_approach
    assert_equal(["chromatic approach", "II"], function(3, "min", following: [2, "min"]))
    assert_equal "outside", function(6, "maj").first
  end

  def test_phrases_end_in_cadences
    chords = [[1, Chord.on(0, "maj")], [4, Chord.on(7, "7")], [5, Chord.on(0, "maj")], [8, Chord.on(5, "maj")], [9, Chord.on(0, "maj")],
              [12, Chord.on(7, "maj")], [13, Chord.on(9, "min")], [16, Chord.on(2, "min")], [17, Chord.on(5, "maj")]]
    found = Harmony::Cadence.find(chords, C_MAJOR, [5, 9, 13, 17])

    assert_equal([["authentic", 4], ["plagal", 8], ["deceptive", 12]], found.map { |cadence| [cadence.kind, cadence.bar] })
  end

  def test_notes_from_outside_the_scale_are_listed_with_their_bars
    grid = Ethoscope::Rhythm::BeatGrid.nominal(16.0)
    spans = [span(Chord.on(0, "maj"), 0, 16), span(Chord.on(5, "min"), 16, 24), span(Chord.on(7, "maj"), 24, 64)]
    notes = Harmony::OutsideNote.list(spans, C_MAJOR, grid)

    assert_equal [8], notes.map(&:pitch_class)
    assert_in_delta 8 / 64.0, notes.first.share, 1e-3
    assert_equal [3], notes.first.bars
  end

  def test_parts_of_a_song_have_loops_of_their_own
    bars = [9, 5, 0, 7].cycle.first(8).map { |root| [Chord.on(root, root == 9 ? "min" : "maj")] * 2 } +
           [2, 4].cycle.first(8).map { |root| [Chord.on(root, "min")] * 2 }
    sections = [section("A", 1, 8), section("B", 9, 8)]
    loops = Harmony::SectionLoops.new(bars, sections, A_MINOR).loops

    assert_equal([%w[A], %w[B]], loops.map(&:first))
    assert_equal([[1, 5], [9, 11, 13, 15]], loops.map { |_, loop| loop.starts })
  end

  def test_a_loop_that_begins_elsewhere_in_its_round_is_the_same_one_and_comes_back_with_its_part
    round = [[9, "min"], [5, "maj"], [0, "maj"], [7, "maj"]]
    bars = [round * 2, round.rotate(2) * 2, round * 2].flatten(1).map { |root, quality| [Chord.on(root, quality)] * 2 }
    loops = Harmony::SectionLoops.new(bars, [section("A", 1, 8), section("B", 9, 8), section("A'", 17, 8)], A_MINOR).loops

    assert_equal([%w[A B]], loops.map(&:first))
    assert_equal [1, 5, 9, 13, 17, 21], loops.first.last.starts
  end

  private

  def span(chord, first, last) = Harmony::ChordRecognizer::Span.new(chord:, first:, last:, confidence: 0.9, rivals: [])

  def section(letter, first_bar, bars)
    Ethoscope::Form::Section.new(label: letter, letter:, first_bar:, bars:, start: 0.0, end: 1.0, confidence: 0.5, reason: "")
  end
end
