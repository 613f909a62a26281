# frozen_string_literal: true

require_relative "../test_helper"

# What comes back on one side, over stretches of a song.
class EchoesTest < Ethoscope::TestCase
  # Blocks of 2 s, lags of 10 ms; block by block what stands at a lag of 0.3 s.
  def echoes(values)
    curves = Numo::SFloat.zeros(values.size, 60)
    values.each_with_index { |value, block| curves[block, 29] = value }
    Ethoscope::Audio::Echoes.new(curves:, block_seconds: 2.0, lag_seconds: 0.01)
  end

  def test_a_stretch_gains_what_its_blocks_agree_on
    one = echoes([0, 0, 3, 3, 3, 3, 0, 0])

    assert_in_delta 6.0, one.over(4.0, 12.0, 0.3), 1e-6
    assert_in_delta 3.0 / Math.sqrt(2), one.over(2.0, 6.0, 0.3), 1e-6
    assert_in_delta(-6.0, echoes([-3] * 4).over(0.0, 8.0, 0.3), 1e-6)
  end

  def test_what_changes_sides_cancels_out
    assert_in_delta 0.0, echoes([3, -3, 3, -3]).over(0.0, 8.0, 0.3), 1e-6
  end

  def test_a_short_stretch_is_one_block_and_nothing_is_said_past_the_longest_lag_or_of_mono
    assert_in_delta 3.0, echoes([3, 0]).over(0.0, 0.5, 0.3), 1e-6
    assert_nil echoes([3]).over(0.0, 2.0, 0.9)
    assert_nil Ethoscope::Audio::Echoes.new(curves: Numo::SFloat.zeros(0, 0), block_seconds: 2.0, lag_seconds: 0.01).over(0.0, 2.0, 0.3)
    assert_equal [3.0, 0.0], echoes([3, 0]).at(0.3)
  end
end
