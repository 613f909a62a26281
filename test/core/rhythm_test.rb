# frozen_string_literal: true

require_relative "../test_helper"

class RhythmTest < Ethoscope::TestCase
  Meter = Ethoscope::Rhythm::Meter
  BeatGrid = Ethoscope::Rhythm::BeatGrid

  def test_a_beat_is_what_a_person_taps
    assert_in_delta 1.5, Meter.named("6/8").quarters_per_beat
    assert_in_delta 0.5, Meter.named("7/8").quarters_per_beat
    assert_equal [8, 16, 12, 20, 14, 12, 24], Meter::ALL.map(&:steps)
    assert_raises(ArgumentError) { Meter.named("13/16") }
  end

  def test_bars_count_from_one_and_a_pickup_is_bar_zero
    grid = grid_of(9, pickup: 1)

    assert_equal 2, grid.bars
    assert_equal [0, 4.0], grid.place(0)
    assert_equal [1, 1.0], grid.place(2)
    assert_equal [1, 1.5], grid.place(3)
    assert_equal [0.5, 2.5, 4.5], grid.bar_edges
  end

  def test_half_beats_know_their_place_in_the_bar
    assert_equal %i[bar off_beat beat off_beat half off_beat beat off_beat], grid_of(4).half_beat_positions
  end

  def test_tempo_by_bar
    assert_equal [120.0, 120.0], grid_of(8).bar_tempos
  end

  def test_a_grid_needs_a_whole_bar_and_ascending_edges
    assert_raises(ArgumentError) { grid_of(3) }
    assert_raises(ArgumentError) { BeatGrid.new(edges: [0.0, 1.0, 0.5, 2.0, 3.0], pickup: 0, meter: Meter.named("4/4")) }
  end

  def test_without_a_pulse_bars_last_two_seconds
    assert_equal [0.0, 2.0, 4.0], BeatGrid.nominal(4.4).bar_edges
  end

  def test_a_clock_follows_a_ramp_and_leaves_a_steady_pulse_alone
    steady = warp_of { |beat| beat * 0.5 }
    ramp = warp_of { |beat| beat * (0.5 - (beat * 0.0004)) }

    assert steady.constant
    refute ramp.constant
    assert_in_delta 30.0, steady.to_seconds(Numo::DFloat[30.0])[0] - steady.to_seconds(Numo::DFloat[0.0])[0], 0.05
  end

  def test_a_clock_runs_on_at_an_even_pace_after_its_end
    times = warp_of { |beat| beat * 0.5 }.to_seconds(Numo::DFloat[38.0, 39.0, 40.0, 41.0, 42.0]).to_a

    times.each_cons(2) { |a, b| assert_in_delta 1.0, b - a, 0.02 }
  end

  private

  def grid_of(beats, pickup: 0)
    BeatGrid.new(edges: (0..beats).map { |beat| beat * 0.5 }, pickup:, meter: Meter.named("4/4"))
  end

  # Onsets at the times that the block gives for beats 0 to 79.
  def warp_of
    samples = Numo::SFloat.zeros(40 * 22_050)
    random = Random.new(3)
    click = Numo::SFloat[*Array.new(400) { |i| random.rand(-1.0..1.0) * Math.exp(-i / 80.0) }]
    80.times do |beat|
      at = ((yield(beat) + 0.1) * 22_050).round
      samples[at...(at + 400)] += click if at + 400 < samples.size
    end
    onset = Ethoscope::Signal::OnsetStrength.new(Ethoscope::Signal::ShortTime.of(samples, 22_050))
    Ethoscope::Rhythm::TimeWarp.new(onset, 0.5)
  end
end
