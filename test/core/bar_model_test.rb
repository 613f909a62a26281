# frozen_string_literal: true

require_relative "../test_helper"

# The pulse, and the model that decides beat and bar together.
class BarModelTest < Ethoscope::TestCase
  Rhythm = Ethoscope::Rhythm
  RATE = 22_050

  def test_the_pulse_of_regular_clicks_is_their_distance_or_a_small_ratio_of_it
    pulse = Rhythm::Pulse.new(onset_of(20) { |time| (time * 2).floor })

    assert(pulse.related.any? { |period| (period - 0.5).abs < 0.01 })
    assert(pulse.related.all? { |period| period.between?(0.27, 1.43) })
    assert_operator pulse.correlation_at(0.5), :>, pulse.correlation_at(0.37)
  end

  def test_silence_has_no_pulse
    pulse = Rhythm::Pulse.new(onset(Numo::SFloat.zeros(RATE * 15)))

    assert_nil pulse.period
    assert_empty pulse.related
  end

  def test_odds_add_up_and_the_best_comes_first
    weighed = Rhythm::BarModel.shipped.weigh([hypothesis(0.0), hypothesis(1.0), hypothesis(-1.0)])

    assert_in_delta 1.0, weighed.sum(&:odds), 1e-9
    assert_equal weighed.map(&:odds).sort.reverse, weighed.map(&:odds)
  end

  def test_features_are_held_within_bounds
    far = Rhythm::BarModel.shipped.weigh([hypothesis(4.0), hypothesis(400.0)])

    assert_in_delta 0.5, far.first.odds, 1e-9
  end

  def test_no_hypothesis_no_answer
    assert_empty Rhythm::BarModel.shipped.weigh([])
  end

  def test_every_feature_needs_a_weight
    table = Ethoscope::Signal::WeightTable.read(Rhythm::BarModel::WEIGHTS_FILE)

    assert_equal [*Rhythm::HypothesisFeatures::NAMES.map(&:to_s), "bias", "out"], table.rows
    assert_raises(KeyError) { Rhythm::BarModel.new(Ethoscope::Signal::WeightTable.new(%w[mean scale straight], {})) }
  end

  private

  def hypothesis(value)
    Rhythm::BarHypothesis.new(period: 0.5, meter: Rhythm::Meter.named("4/4"), first_downbeat: 0.0, features: [value] * Rhythm::HypothesisFeatures::NAMES.size)
  end

  def onset(samples) = Ethoscope::Signal::OnsetStrength.new(Ethoscope::Signal::ShortTime.of(samples, RATE))

  # Clicks wherever the number that the block gives for a moment goes up.
  def onset_of(seconds)
    samples = Numo::SFloat.zeros(RATE * seconds)
    random = Random.new(5)
    click = Numo::SFloat[*Array.new(500) { |i| random.rand(-1.0..1.0) * Math.exp(-i / 90.0) }]
    last = -1
    (0...((seconds * 100) - 5)).each do |hundredth|
      number = yield(hundredth / 100.0)
      samples[(hundredth * RATE / 100)...((hundredth * RATE / 100) + 500)] += click if number > last
      last = number
    end
    onset(samples)
  end
end
