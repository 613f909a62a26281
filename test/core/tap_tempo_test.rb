# frozen_string_literal: true

require_relative "../test_helper"

# A tempo from taps.
class TapTempoTest < Ethoscope::TestCase
  def fit(times) = Ethoscope::Calculators::TapTempo.fit(times)

  def taps(bpm, count, jitter = 0.0)
    random = Random.new(7)
    Array.new(count) { |i| 3.0 + (i * 60.0 / bpm) + ((random.rand - 0.5) * 2 * jitter) }
  end

  def test_even_taps_give_their_tempo_to_a_hundredth
    tapped = fit(taps(93.46, 16))

    assert_in_delta 93.46, tapped.bpm, 0.005
    assert_in_delta 0.0, tapped.spread_ms, 0.1
    assert_equal [16, 0], [tapped.used, tapped.dropped]
    assert_in_delta 3.0, tapped.first, 0.001
  end

  def test_a_human_hand_comes_near
    tapped = fit(taps(120.0, 24, 0.015))

    assert_in_delta 120.0, tapped.bpm, 0.35
    assert_operator tapped.spread_ms, :<, 15
  end

  def test_a_stray_tap_is_left_out
    times = taps(100.0, 16)
    times[9] += 0.19
    tapped = fit(times)

    assert_in_delta 100.0, tapped.bpm, 0.01
    assert_equal 1, tapped.dropped
  end

  def test_a_double_tap_and_a_missed_beat_do_not_move_the_tempo
    times = taps(100.0, 16)
    times.delete_at(6)
    tapped = fit((times + [times[3] + 0.05]).sort)

    assert_in_delta 100.0, tapped.bpm, 0.1
  end

  def test_too_few_taps_or_taps_out_of_order_are_refused
    assert_match(/at least 4/, assert_raises(Ethoscope::Errors::Unfit) { fit([1, 2, 3]) }.message)
    assert_match(/follow each other/, assert_raises(Ethoscope::Errors::Unfit) { fit([1, 2, 2, 3]) }.message)
    assert_match(/between 20 and 400/, assert_raises(Ethoscope::Errors::Unfit) { fit([0, 10, 20, 30]) }.message)
  end
end
