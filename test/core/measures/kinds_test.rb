# frozen_string_literal: true

require_relative "../../test_helper"

# How values compare, what several have in common, and how they are worded.
class MeasureKindsTest < Ethoscope::TestCase
  Kinds = Ethoscope::Measures::Kinds

  def test_figures_are_apart_by_their_difference_and_share_their_middle
    loudness = Kinds::Number.new

    assert_in_delta 2.5, loudness.distance(-9.5, -12.0)
    assert_equal({ value: -10.0, spread: 2.0, songs: 3 }, loudness.common([-8.0, -12.0, -10.0]))
    assert_equal ["−9.5 LUFS", "±1 LU", "exact"], [loudness.words(-9.5, "LUFS"), loudness.tolerance_words(1.0, "LUFS"), loudness.tolerance_words(0, "LUFS")]
  end

  def test_a_ratio_is_compared_in_per_cent
    swing = Kinds::Number.new(field: :ratio, digits: 0, scale: 100)

    assert_in_delta 12.0, swing.distance({ ratio: 0.5 }, { ratio: 0.62 })
  end

  def test_tempos_an_octave_apart_belong_together
    common = Kinds::Tempo.new(field: :bpm).common([70.0, 74.0, 146.0].map { |bpm| { bpm: } })

    assert_equal [{ bpm: 73.0 }, 2.0, 3], common.values_at(:value, :spread, :songs)
  end

  def test_what_is_one_of_several_is_the_same_or_not
    meter = Kinds::Category.new

    assert_equal [0, 1], [meter.distance("4/4", "4/4"), meter.distance("4/4", "6/8")]
    assert_equal({ value: "4/4", spread: nil, songs: 2 }, meter.common(%w[4/4 3/4 4/4]))
  end

  def test_keys_are_apart_as_the_fields_score_says
    key = Measures::Registry.fetch("harmony.key")
    from_a_minor = [%w[A minor], %w[E minor], %w[C major], %w[A major], %w[B minor], %w[D dorian]].map do |tonic, mode|
      key.distance({ tonic: "A", mode: "minor" }, { tonic:, mode: })
    end

    assert_equal [0.0, 0.5, 0.7, 0.8, 1.0, 0.5], from_a_minor
    assert_in_delta 0.7, key.distance({ tonic: "C", mode: "major" }, { tonic: "A", mode: "minor" })
  end

  def test_chords_are_the_same_however_they_are_spelled
    chords = Measures::Registry.fetch("harmony.chords")
    flat, sharp, other = %w[A♭m7/E♭ G♯m7/D♯ A♭m7].map { |symbol| [{ symbol: }] }

    assert_equal [0.0, 1.0], [chords.distance(flat, sharp), chords.distance(flat, other)]
    assert_equal "G♯m7/D♯", chords.words(sharp)
  end

  def test_sets_are_apart_by_what_they_do_not_share
    degrees = Kinds::Set.new(of: :degree, weight: :bars)
    one = [{ degree: "i", bars: 6 }, { degree: "iv", bars: 2 }]
    other = [{ degree: "i", bars: 6 }, { degree: "V", bars: 2 }]

    assert_in_delta 40.0, degrees.distance(one, other)
    assert_equal [["i", 6], ["iv", 1], ["V", 1]], degrees.common([one, other])[:value].map(&:values)
    assert_equal "i iv", degrees.words(one, "%")
    assert_in_delta 0.0, degrees.distance([], [])
  end

  def test_sequences_are_apart_by_what_must_be_edited
    chords = Kinds::Sequence.new

    assert_equal([0, 1, 1, 4], [%w[a b c d], %w[a b c], %w[a b x d], []].map { |other| chords.distance(%w[a b c d], other) })
    assert_equal({ value: %w[a b], spread: nil, songs: 2 }, chords.common([%w[a b], %w[b], %w[a b]]))
    assert_equal "a b and 1 more", Kinds::Sequence.new(most: 2).words(%w[a b c], "chords")
  end

  def test_grids_are_apart_by_their_strokes
    steps = Kinds::Grid.new
    straight = { steps: 4, bars: 1, hits: [1, 0, 1, 0] }
    twice = { steps: 4, bars: 2, hits: [1, 0, 1, 0, 1, 0, 1, 0] }
    varied = { steps: 4, bars: 2, hits: [1, 0, 1, 0, 1, 0, 0, 0.2] }

    assert_in_delta 0.0, steps.distance(straight, twice)
    assert_in_delta 1 - (6.0 / 7), steps.distance(straight, varied)
    assert_in_delta 1.0, steps.distance(straight, { steps: 6, bars: 1, hits: [1] * 6 })
    assert_equal "steps 1 3 of 4", steps.words(straight, "")
    assert_equal "no step", steps.words({ steps: 4, bars: 1, hits: [0] * 4 }, "")
  end

  def test_curves_are_apart_in_the_mean_whatever_their_lengths
    spectrum = Kinds::Curve.new

    assert_in_delta 1.0, spectrum.distance([0, 0], [1, 1])
    assert_in_delta 0.0, spectrum.distance([0, 2], [0, 1, 2])
    assert_in_delta 3.0, spectrum.distance([5], [2, 2, 2])
    assert_equal Float::INFINITY, spectrum.distance([], [1])
    assert_equal([[1, 2], 3], spectrum.common([[0, 2], [1, 2], [1, 9]]).values_at(:value, :songs).then { |value, songs| [value, songs] })
  end
end
