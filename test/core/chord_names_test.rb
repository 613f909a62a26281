# frozen_string_literal: true

require_relative "../test_helper"

# The same notes under another name.
class ChordNamesTest < Ethoscope::TestCase
  include Ethoscope::Harmony

  def rivals(text, key = Key.named("C", "major")) = ChordNames.rivals(ChordSymbol.parse(text), key).map(&:to_s)

  def test_a_minor_seventh_is_a_sixth_chord_over_its_sixth
    assert_includes rivals("Am7"), "C6/A"
    assert_includes rivals("C6"), "Am7/C"
  end

  def test_a_half_diminished_seventh_is_a_minor_sixth_chord
    assert_includes rivals("Bm7b5"), "Dm6/B"
  end

  def test_a_suspended_fourth_is_a_suspended_second_elsewhere
    assert_includes rivals("Csus4"), "Fsus2/C"
  end

  def test_a_triad_over_a_foreign_bass_is_a_seventh_chord
    assert_includes rivals("C/A"), "Am7"
  end

  def test_rival_names_hold_the_same_notes_over_the_same_bass
    %w[Am7 C6 Bdim7 Caug Dm7/G Gsus4 Em9].each do |text|
      symbol = ChordSymbol.parse(text)
      ChordNames.rivals(symbol, Key.named("C", "major")).each do |rival|
        assert_equal [*symbol.pitch_classes, symbol.lowest].uniq.sort, [*rival.pitch_classes, rival.lowest].uniq.sort
        assert_equal symbol.lowest, rival.lowest
      end
    end
  end

  def test_a_plain_triad_and_no_chord_have_no_other_name
    assert_empty rivals("C")
    assert_empty rivals("N.C.")
  end
end
