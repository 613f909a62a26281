# frozen_string_literal: true

require_relative "../test_helper"

# One constant tempo where the onsets allow it, and what the grid leaves over.
class SteadyGridTest < Ethoscope::TestCase
  Rhythm = Ethoscope::Rhythm
  RATE = 86.0

  # Spikes at these moments, smeared a little.
  def curve(times, seconds: 60)
    Numo::DFloat.zeros((seconds * RATE).round).tap do |found|
      times.each { |time| [-1, 0, 1].each { |shift| (at = (time * RATE).round + shift).between?(0, found.size - 1) && found[at] += shift.zero? ? 1.0 : 0.5 } }
    end
  end

  def test_the_period_of_a_machine_is_found_to_the_hundredth
    pulse = Rhythm::SteadyPulse.new(curve((0...118).map { |beat| 0.4 + (beat * 0.5023) }), RATE, 0.5)

    assert_in_delta 0.5023, pulse.period, 0.00005
  end

  def test_a_machine_with_gaps_is_as_good_as_what_follows_it_and_a_drift_is_not
    steady = (0...118).map { |beat| 0.4 + (beat * 0.5) }.reject.with_index { |_, i| (i % 7).zero? }
    following = Rhythm::SteadyPulse.new(curve(steady), RATE, 0.5)

    assert Rhythm::SteadyPulse.new(curve(steady), RATE, 0.501).as_good_as?(following)
    drifting = (0...118).map { |beat| 0.4 + (beat * 0.5) + (Math.sin(beat / 18.0) * 0.12) }

    refute Rhythm::SteadyPulse.new(curve(drifting), RATE, 0.5).as_good_as?(following)
  end

  def test_residuals_tell_the_tempo_that_would_stay_with_the_song
    features = Ethoscope::Engine::Features.of(Band.new(bpm: 100).bars(16, chords: %w[Am F], **Band::BACKBEAT).recording)
    right, wrong = [100.0, 99.8].map { |bpm| Ethoscope::Analysis.of(features:, corrections: Ethoscope::Corrections.of(bpm:, first_downbeat: 0.3)).fetch(:tempo) }

    assert_nil right[:better]
    assert_operator right[:drift_ms].abs, :<, 8
    assert_in_delta 100.0, wrong[:better], 0.03
    assert_operator wrong[:drift_ms], :<, -50
    assert_equal 16, right[:residuals].compact.size
  end

  def test_bars_reach_from_a_quiet_beginning_to_a_held_end
    sketch = Sketch.new(bars: 16)
    (0...16).each { |beat| sketch.tone(beat, 1, 220, level: 0.05) { |time| Numo::NMath.exp(time * -6) } }
    sketch.drums(16...48)
    sketch.tone(48, 16, 110, level: 0.4)
    range = Rhythm::Sounding.range(sketch.features.short, sketch.features.onset)

    assert_operator range.begin, :<, 0.6
    assert_operator range.end, :>, 28
  end
end
