# frozen_string_literal: true

require_relative "../test_helper"

class LoopFinderTest < Ethoscope::TestCase
  Chord = Ethoscope::Harmony::Chord
  NAMES = { "Am" => [9, "min"], "F" => [5, "maj"], "C" => [0, "maj"], "G" => [7, "maj"], "E7" => [4, "7"], "Dm" => [2, "min"] }.freeze

  def test_four_bars_that_come_back_are_one_loop
    found = loop_of(%w[Am F C G] * 4)

    assert_equal 4, found.bars
    assert_equal %w[i ♭VI ♭III ♭VII], found.degrees
    assert_equal [1, 5, 9, 13], found.starts
  end

  def test_two_bars_are_found_before_four
    assert_equal 2, loop_of(%w[Am Dm] * 6).bars
  end

  def test_one_strange_chord_does_not_hide_a_return
    found = loop_of(%w[Am F C G Am F C G Am F Dm G Am F C G])

    assert_equal [1, 5, 9, 13], found.starts
    assert_equal %w[i ♭VI ♭III ♭VII], found.degrees
  end

  def test_of_rotations_the_one_that_starts_on_the_tonic_is_taken
    found = loop_of(%w[G] + (%w[Am F C G] * 4))

    assert_equal "i", found.degrees.first
    assert_equal 2, found.starts.first
  end

  def test_chords_that_never_return_are_no_loop
    assert_nil loop_of(%w[Am F C G E7 Dm F E7])
    assert_nil loop_of([nil] * 8)
  end

  def test_one_chord_is_a_loop_only_where_it_is_a_drone
    assert_equal ["i"], loop_of(["Am"] * 16).degrees
    assert_nil loop_of((["Am"] * 4) + %w[F C G Dm E7 F G C Dm E7 C])
  end

  def test_what_goes_round_in_a_corner_only_is_not_the_loop_of_the_song
    assert_nil loop_of(%w[Am F Am F] + %w[C G Dm E7 G C F Dm C E7 Dm G F C E7 G Dm C F E7 C Dm G E7])
  end

  private

  # One chord a bar, in A minor.
  def loop_of(names)
    bars = names.map { |name| [name ? Chord.on(*NAMES.fetch(name)) : Chord.none] * 2 }
    Ethoscope::Harmony::LoopFinder.new(bars, Ethoscope::Harmony::Key.named("A", "minor")).main
  end
end
