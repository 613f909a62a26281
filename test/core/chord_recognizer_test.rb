# frozen_string_literal: true

require_relative "../test_helper"

# Chords from chroma that is given, so that only the naming is tested.
class ChordRecognizerTest < Ethoscope::TestCase
  Harmony = Ethoscope::Harmony
  # Stands in for NoteActivation: treble and bass chroma as they are.
  Notes = Struct.new(:treble, :bass, :level) do
    def chroma(range) = range.begin < 40 ? bass : treble
  end

  def test_qualities_are_told_apart
    { [0, 4, 7] => "C:maj", [9, 0, 4] => "A:min", [7, 11, 2, 5] => "G:7", [0, 4, 7, 11] => "C:maj7", [2, 5, 9, 0] => "D:min7", [11, 2, 5] => "B:dim",
      [7, 0, 2] => "G:sus4", [0, 4, 8] => "C:aug" }.each do |tones, label|
      assert_equal [label], labels([[tones, tones.first]] * 8)
    end
  end

  def test_the_bass_makes_an_inversion
    assert_equal ["C:maj/3"], labels([[[0, 4, 7], 4]] * 8)
    assert_equal ["A:min/b3"], labels([[[9, 0, 4], 0]] * 8)
  end

  def test_a_change_on_the_bar_is_taken_and_one_odd_off_beat_is_not
    steady = [[[0, 4, 7], 0]] * 8
    changed = [[[5, 9, 0], 5]] * 8
    odd = steady.dup.tap { |rows| rows[3] = [[0, 4, 9], 0] }

    assert_equal ["C:maj", "F:maj"], labels(steady + changed)
    assert_equal ["C:maj"], labels(odd)
  end

  def test_spans_follow_each_other_without_gaps
    spans = recognizer(([[[0, 4, 7], 0]] * 8) + ([[[5, 9, 0], 5]] * 8)).spans

    assert_equal([[0, 8], [8, 16]], spans.map { |span| [span.first, span.last] })
    assert(spans.all? { |span| span.confidence.between?(0.0, 1.0) })
  end

  def test_silence_is_no_chord
    assert_equal ["N"], labels([[[0, 4, 7], 0]] * 8, level: 0.0)
  end

  def test_a_clear_chord_is_surer_than_a_muddle
    clear = recognizer([[[0, 4, 7], 0]] * 8).spans.first.confidence
    muddle = recognizer([[[0, 4, 7, 9, 2], 0]] * 8).spans.first.confidence

    assert_operator clear, :>, muddle
  end

  private

  def labels(rows, level: 1.0)
    key = Harmony::Key.named("C", "major")
    recognizer(rows, level:).spans.map { |span| span.chord.label(key) }
  end

  def recognizer(rows, level: 1.0)
    treble = Numo::DFloat.zeros(rows.size, 12) + 0.05
    bass = Numo::DFloat.zeros(rows.size, 12) + 0.02
    rows.each_with_index do |(tones, low), i|
      treble[i, tones] = 1.0
      bass[i, low] = 1.0
    end
    positions = rows.each_index.map { |i| i.odd? ? :off_beat : { 0 => :bar, 4 => :half }.fetch(i % 8, :beat) }
    Harmony::ChordRecognizer.new(Notes.new(treble, bass, Numo::DFloat.zeros(rows.size) + level), positions)
  end
end
