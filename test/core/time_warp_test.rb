# frozen_string_literal: true

require_relative "../test_helper"

# The clock that runs with the music goes forward, whatever it is given.
class TimeWarpTest < Ethoscope::TestCase
  RATE = 100.0

  # Onset strength of pulses, whose places a block moves.
  def onset(seconds, period)
    curve = Numo::DFloat.zeros((seconds * RATE).round)
    (0...(seconds / period).floor).each do |beat|
      at = ((beat * period) + yield(beat)) * RATE
      curve[at.round] += 1.0 if at.round.between?(0, curve.size - 1)
    end
    Struct.new(:total, :rate).new(curve, RATE)
  end

  def clock(onset, period)
    warp = Rhythm::TimeWarp.new(onset, period)
    warp.to_seconds(Numo::DFloat.new(onset.total.size).seq / RATE)
  end

  def test_a_steady_pulse_needs_no_warp
    seconds = clock(onset(60, 0.5) { 0.0 }, 0.5)

    assert_in_delta 30.0, seconds[3000], 0.01
  end

  def test_jumps_of_a_faint_pulse_never_turn_the_clock_back
    random = Random.new(4)
    wild = onset(240, 0.9) { |beat| (random.rand - 0.5) * (beat % 40 < 20 ? 0.9 : 0.02) }
    jumping = onset(240, 0.9) { |beat| (beat / 30).odd? ? 0.45 : 0.0 }
    [wild, jumping].each do |curve|
      steps = clock(curve, 0.9).then { |seconds| seconds[1..] - seconds[0...-1] }

      assert_operator steps.min, :>, 0.0
    end
  end

  def test_free_noise_gives_bars_or_none_but_no_fault
    random = Random.new(9)
    curve = Numo::SFloat.cast(Array.new(44_100 * 30) { random.rand(-1.0..1.0) })
    swelling = curve * Numo::SFloat.cast(Numo::NMath.sin(Numo::DFloat.new(curve.size).seq / 30_000).abs)

    assert_operator Analysis.of(Audio::Recording.new(channels: swelling.reshape(1, curve.size), rate: 44_100)).bars, :>=, 1
  end
end
