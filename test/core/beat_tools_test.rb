# frozen_string_literal: true

require_relative "../test_helper"

# Evidence, swing and bar features on onsets that are placed by hand.
class BeatToolsTest < Ethoscope::TestCase
  Rhythm = Ethoscope::Rhythm
  RATE = 22_050

  def test_onsets_are_read_where_they_lie
    evidence, = evidence_of((0...40).map { |beat| beat * 0.5 })
    on = evidence.at(evidence.phase, 0.5, 30)[:total].mean
    off = evidence.at(evidence.phase + 0.25, 0.5, 30)[:total].mean

    assert_operator on, :>, 5 * off
    assert_in_delta 40 / 30.0, evidence.density, 0.1
  end

  def test_swing_is_the_place_of_the_off_beat_in_its_pair
    [[0.5, 0.5], [0.6, 0.6], [2.0 / 3, 0.667]].each do |place, ratio|
      swing = swing_of((0...40).flat_map { |beat| [beat * 0.5, (beat + place) * 0.5] })

      assert_in_delta ratio, swing.ratio, 0.02
    end
  end

  def test_swung_sixteenths_are_told_from_eighths
    places = [0, 0.31, 0.5, 0.81]
    moments = (0...40).flat_map { |beat| places.map { |place| [beat + place, 1.0] } }
    swing = Rhythm::Swing.of([moments], beat: 0.6)

    assert_equal ["16th", 0.62], [swing.unit, swing.ratio.round(2)]
    assert_in_delta 0.5, Rhythm::Swing.of([moments], beat: 0.4).ratio, 1e-9, "too short to swing"
  end

  def test_without_off_beats_playing_is_straight
    assert_in_delta 0.5, swing_of((0...40).map { |beat| beat * 0.5 }).ratio
  end

  def test_compound_meters_do_not_swing
    assert_in_delta 0.5, swing_of((0...40).flat_map { |beat| [beat * 0.5, (beat + 0.66) * 0.5] }, "6/8").ratio
  end

  def test_every_hypothesis_has_every_feature
    evidence, pulse = evidence_of((0...60).map { |beat| beat * 0.5 })
    hypotheses = Rhythm::HypothesisFeatures.new(evidence, pulse).hypotheses

    assert_operator hypotheses.size, :>, 100
    assert(hypotheses.all? { |hypothesis| hypothesis.features.size == Rhythm::HypothesisFeatures::NAMES.size && hypothesis.features.all?(&:finite?) })
    assert_equal Rhythm::Meter::HEARD.map(&:name).sort, hypotheses.map { |hypothesis| hypothesis.meter.name }.uniq.sort
  end

  def test_of_a_recording_that_is_too_short_nothing_is_said
    evidence, pulse = evidence_of((0...8).map { |beat| beat * 0.5 }, seconds: 4)

    assert_empty(Rhythm::HypothesisFeatures.new(evidence, pulse).hypotheses.select { |hypothesis| hypothesis.period > 0.9 })
  end

  private

  def swing_of(times, meter = "4/4")
    grid = Rhythm::BeatGrid.new(edges: (0..56).map { |beat| 0.2 + (beat * 0.5) }, pickup: 0, meter: Rhythm::Meter.named(meter))
    Rhythm::Swing.measure(onset_of(times), grid)
  end

  # Clicks at these times, the pulse being half a second; those on it are louder.
  def evidence_of(times, seconds: 30)
    onset = onset_of(times, seconds:)
    [Rhythm::PulseEvidence.new(onset, clues(onset), Rhythm::TimeWarp.new(onset, 0.5), 0.5), Rhythm::Pulse.new(onset)]
  end

  def onset_of(times, seconds: 30)
    samples = Numo::SFloat.zeros(RATE * seconds)
    random = Random.new(11)
    click = Numo::SFloat[*Array.new(400) { |i| random.rand(-1.0..1.0) * Math.exp(-i / 70.0) }]
    times.each do |time|
      from = ((time + 0.2) * RATE).round
      loud = ((time / 0.5) % 1).then { |place| [place, 1 - place].min < 0.05 } ? 1.0 : 0.5
      samples[from...(from + 400)] += click * loud if from + 400 < samples.size
    end
    Ethoscope::Signal::OnsetStrength.new(Ethoscope::Signal::ShortTime.of(samples, RATE))
  end

  # Harmony that never changes.
  def clues(onset)
    flat = Numo::DFloat.zeros(onset.total.size) + 1
    steps = (onset.duration / 0.15).floor
    Rhythm::HarmonicClues.new(treble: flat, bass: flat, turns: Numo::DFloat.zeros(steps), notes: Numo::DFloat.zeros(steps, 24), chords: Numo::DFloat.zeros(steps, 3), step: 0.15)
  end
end
