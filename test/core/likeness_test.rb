# frozen_string_literal: true

require_relative "../test_helper"

# Pairs of sections made of bars whose chords and sound are given.
class LikenessTest < Ethoscope::TestCase
  Likeness = Ethoscope::Form::Likeness
  # Stands in for BarFeatures.
  Features = Struct.new(:timbre, :harmony) do
    def size = timbre.shape[0]
  end

  # Sixteen bars: a loop of four, the same in another sound, other chords in the first sound, and the loop once more.
  def likeness(weights: Likeness.shipped)
    loop_, other = [3, 8].map { |seed| chords(seed) }
    bright = [1.0] * 8
    dull = [-1.0] * 8
    harmony = [*loop_, *loop_, *other, *loop_]
    timbre = [[bright] * 4, [dull] * 4, [bright] * 4, [bright] * 4].flatten(1)
    Likeness.new(Features.new(Numo::DFloat.cast(timbre), Numo::DFloat.cast(harmony)), [-12.0] * 16, [0...4, 4...8, 8...12, 12...16], weights:)
  end

  def chords(seed)
    random = Random.new(seed)
    Array.new(4) do
      row = Array.new(48) { random.rand(-1.0..1.0) }
      length = Math.sqrt(row.sum { |value| value**2 })
      row.map { |value| value / length }
    end
  end

  def feature(name, i, j) = likeness.features(i, j)[Likeness::NAMES.index(name)]

  def test_the_same_chords_are_alike_whatever_plays_them
    assert_in_delta 1.0, likeness.harmony(1, 0), 1e-9
    assert_in_delta 1.0, feature("first four bars", 3, 0), 1e-9
    assert_operator likeness.harmony(2, 0), :<, 0.5
  end

  def test_another_sound_lies_far_and_the_same_one_at_no_distance
    assert_in_delta 0.0, feature("sound", 3, 0), 1e-9
    assert_operator feature("sound", 1, 0), :>, 1.0
  end

  def test_a_return_is_more_likely_one_label_than_other_chords_or_another_sound
    pairs = likeness

    assert_operator pairs.log_odds(3, 0), :>, 0
    assert_operator pairs.log_odds(3, 0), :>, pairs.log_odds(2, 0)
    assert_operator pairs.log_odds(3, 0), :>, pairs.log_odds(1, 0)
  end

  def test_sections_of_different_lengths_are_told_by_the_octave_of_their_ratio
    pair = Likeness.new(Features.new(Numo::DFloat.zeros(12, 8), Numo::DFloat.zeros(12, 48)), [-12.0] * 12, [0...4, 4...12], weights: {})

    assert_in_delta 1.0, pair.features(1, 0)[Likeness::NAMES.index("length")], 1e-9
  end
end
