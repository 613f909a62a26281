# frozen_string_literal: true

require_relative "../test_helper"

# The path through what a model believes, and the bass under it.
class ChordRecognizerTest < Ethoscope::TestCase
  Harmony = Ethoscope::Harmony
  QUALITIES = Harmony::ChordModel::QUALITIES
  Notes = Struct.new(:bass) do
    def chroma(_range) = bass
    def size = bass.shape[0]
  end
  Model = Struct.new(:beliefs) do
    def log_likelihood(_notes) = Numo::NMath.log(beliefs)
  end

  def test_the_chord_that_is_believed_in_is_named
    assert_equal ["C:maj"], labels([["C:maj", 0.9]] * 8)
    assert_equal ["A:min7"], labels([["A:min7", 0.8]] * 8, low: 9)
    assert_equal ["N"], labels([["N", 0.9]] * 8)
  end

  def test_the_bass_makes_an_inversion
    assert_equal ["C:maj/3"], labels([["C:maj", 0.9]] * 8, low: 4)
    assert_equal ["A:min/b3"], labels([["A:min", 0.9]] * 8, low: 0)
    assert_equal ["C:maj"], labels([["C:maj", 0.9]] * 8, low: 2)
  end

  def test_a_change_on_the_bar_is_taken_and_one_odd_off_beat_is_not
    steady = [["C:maj", 0.9]] * 8
    odd = steady.dup.tap { |rows| rows[3] = ["A:min", 0.9] }

    assert_equal ["C:maj", "F:maj"], labels(steady + ([["F:maj", 0.9]] * 8), low: 11)
    assert_equal ["C:maj"], labels(odd)
  end

  def test_other_sevenths_are_the_same_statement
    rows = recognizer([["C:maj", 0.4]] * 8).belief
    kin = %w[maj 7 maj7 aug maj6].map { |quality| Harmony::ChordModel::QUALITIES.index(quality) }

    assert_in_delta rows[0, kin].sum, recognizer([["C:maj", 0.4]] * 8).spans.first.confidence, 0.01
  end

  def test_spans_follow_each_other_without_gaps_and_name_rivals
    spans = recognizer(([["C:maj", 0.7], ["C:maj", 0.6]] * 4) + ([["F:maj", 0.9]] * 8)).spans

    assert_equal([[0, 8], [8, 16]], spans.map { |span| [span.first, span.last] })
    # The four other qualities with that root and third hold a little of the rest.
    assert_in_delta 0.65 + (4 * 0.35 / 144), spans.first.confidence, 0.006
    assert_equal Harmony::ChordRecognizer::RIVALS, spans.first.rivals.size
    refute_includes spans.first.rivals.map(&:first), spans.first.chord
  end

  private

  def labels(rows, low: 0)
    key = Harmony::Key.named("C", "major")
    recognizer(rows, low:).spans.map { |span| span.chord.label(key) }
  end

  # Rows of a chord and the belief in it; the rest is spread over all others.
  def recognizer(rows, low: 0)
    beliefs = Numo::DFloat.cast(rows.map { |label, share| row(label, share) })
    bass = Numo::DFloat.zeros(rows.size, 12) + 0.02
    bass[true, low] = 1.0
    positions = rows.each_index.map { |i| i.odd? ? :off_beat : { 0 => :bar, 4 => :half }.fetch(i % 8, :beat) }
    Harmony::ChordRecognizer.new(Notes.new(bass), positions, model: Model.new(beliefs))
  end

  def row(label, share)
    states = (12 * QUALITIES.size) + 1
    root, quality = label.split(":")
    place = quality ? (Harmony::PitchClass.parse(root) * QUALITIES.size) + QUALITIES.index(quality) : states - 1
    Array.new(states) { |state| state == place ? share : (1 - share) / (states - 1) }
  end
end
