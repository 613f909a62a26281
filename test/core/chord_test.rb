# frozen_string_literal: true

require_relative "../test_helper"

class ChordTest < Ethoscope::TestCase
  Chord = Ethoscope::Harmony::Chord
  Key = Ethoscope::Harmony::Key
  Degree = Ethoscope::Harmony::Degree

  def setup
    @f_minor = Key.named("F", "minor")
  end

  def test_no_name_has_two_signs
    names = %w[Db G# Cb D#].flat_map { |tonic| (0..11).map { |pitch| Harmony::PitchClass.spell(pitch, tonic) } }

    assert_operator names.map(&:size).max, :<=, 2
    assert_equal(%w[D F Bb], [2, 5, 10].map { |pitch| Harmony::PitchClass.spell(pitch, "Db") })
  end

  def test_labels_and_symbols_are_spelled_in_the_key
    chord = Chord.on(10, "min7", bass: 1)

    assert_equal "Bb:min7/b3", chord.label(@f_minor)
    assert_equal "B♭m7/D♭", chord.symbol(@f_minor)
    assert_equal "F#", Chord.on(6, "maj").symbol(Key.named("D", "major")).tr("♯", "#")
  end

  def test_no_chord_has_no_notes
    assert_equal "N", Chord.none.label(@f_minor)
    assert_empty Chord.none.pitch_classes
    assert_equal Chord.none, Chord.none.transpose(3)
  end

  def test_transposing_takes_the_bass_along
    assert_equal Chord.on(0, "maj", bass: 4), Chord.on(10, "maj", bass: 2).transpose(2)
  end

  def test_an_unknown_quality_is_refused
    assert_raises(ArgumentError) { Chord.on(0, "mystic") }
  end

  def test_degrees_count_from_the_major_scale_of_the_tonic
    assert_equal(%w[i ♭VI iv v ♭VII], [[5, "min"], [1, "maj"], [10, "min"], [0, "min"], [3, "maj"]].map { |root, quality| numeral(root, quality) })
    assert_equal "ii°", numeral(7, "dim")
    assert_equal "V7", numeral(0, "7")
  end

  def test_a_major_fourth_degree_in_minor_is_borrowed_from_dorian
    degree = Degree.of(Chord.on(10, "maj"), @f_minor)

    assert_equal "IV", degree.numeral
    assert_equal "F dorian", degree.borrowed_from
  end

  def test_a_minor_fourth_degree_in_major_is_borrowed_from_minor
    assert_equal "C minor", Degree.of(Chord.on(5, "min"), Key.named("C", "major")).borrowed_from
  end

  def test_a_dominant_seventh_on_the_second_degree_is_a_secondary_dominant
    assert_equal "V of V", Degree.of(Chord.on(2, "7"), Key.named("C", "major")).borrowed_from
  end

  def test_a_chord_of_the_scale_is_borrowed_from_nowhere
    assert_nil Degree.of(Chord.on(1, "maj"), @f_minor).borrowed_from
    assert_nil Degree.of(Chord.none, @f_minor)
  end

  private

  def numeral(root, quality) = Degree.of(Chord.on(root, quality), @f_minor).numeral
end
