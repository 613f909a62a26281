# frozen_string_literal: true

require_relative "../test_helper"

# The outline of a waveform, for the eye.
class PeaksTest < Ethoscope::TestCase
  Audio = Ethoscope::Audio

  def outline(channels, rate: 44_100) = Audio::Peaks.of(Audio::Recording.new(channels:, rate:)).unpack("c*").each_slice(2).to_a

  def test_a_hundred_stretches_a_second_hold_the_lowest_and_highest_sample_of_all_channels
    left = Numo::SFloat.zeros(44_100)
    right = left.dup
    left[4410] = 1.0
    right[4411] = -0.5
    found = outline(Numo::SFloat.vstack([left, right]))

    assert_equal 100, found.size
    assert_equal [-64, 127], found[10]
    assert_equal [[0, 0]], found.each_with_index.reject { |_, place| place == 10 }.map(&:first).uniq
  end

  def test_what_is_over_full_scale_is_held_and_nothing_is_an_empty_outline
    assert_equal [[127, 127]], outline(Numo::SFloat.ones(1, 441) * 3)
    assert_empty outline(Numo::SFloat.zeros(1, 10))
  end

  def test_long_recordings_are_outlined_block_by_block_alike
    samples = Numo::SFloat.new(1, 8000 * 70).rand - 0.5
    whole = outline(samples, rate: 8000)

    assert_equal 7000, whole.size
    assert_equal outline(samples[true, (8000 * 65)..], rate: 8000).first(100), whole[6500, 100]
  end
end
