# frozen_string_literal: true

require_relative "../test_helper"

# Steps, drum patterns and the place of onsets against the grid.
class GrooveTest < Ethoscope::TestCase
  Rhythm = Ethoscope::Rhythm
  Grid = Rhythm::BeatGrid

  def grid(meter: "4/4", bars: 8, bpm: 120.0, start: 0.5)
    meter = Rhythm::Meter.named(meter)
    Grid.new(edges: (0..(bars * meter.beats)).map { |beat| start + (beat * 60 / bpm) }, pickup: 0, meter:)
  end

  def test_a_bar_has_as_many_steps_as_its_meter_says
    counts = { "4/4" => 16, "3/4" => 12, "6/8" => 12, "5/4" => 20, "7/8" => 14, "12/8" => 24 }

    assert_equal(counts, counts.keys.to_h { |meter| [meter, Rhythm::StepGrid.new(grid(meter:), nil).steps] })
  end

  def test_swung_eighths_move_the_off_beat_and_swung_sixteenths_the_steps_between
    eighths = Rhythm::StepGrid.new(grid, Rhythm::Swing.new(unit: "8th", ratio: 0.62, confidence: 0.8)).times[0, true]
    sixteenths = Rhythm::StepGrid.new(grid, Rhythm::Swing.new(unit: "16th", ratio: 0.62, confidence: 0.8)).times[0, true]

    assert_in_delta 0.5 + (0.5 * 0.62), eighths[2], 1e-9
    assert_in_delta 0.5 + 0.25, sixteenths[2], 1e-9
    assert_in_delta 0.5 + (0.25 * 0.62), sixteenths[1], 1e-9
  end

  def test_the_steps_of_a_backbeat_are_read_from_sound
    rows = pattern(kick: [0, 2], snare: [1, 3], hats: [0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5]).rows.to_h { |row| [row.piece, row.probability] }

    assert_equal [0, 8], likely(rows["kick"])
    assert_equal [4, 12], likely(rows["snare"])
    assert_empty [0, 2, 6, 8, 10, 14] - likely(rows["hats"])
  end

  def test_patterns_and_hat_rates_have_names
    backbeat = pattern(kick: [0, 2.5], snare: [1, 3], hats: [0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5])
    floor = pattern(kick: [0, 1, 2, 3], hats: [0.5, 1.5, 2.5, 3.5])

    assert_includes backbeat.names, "backbeat"
    assert_equal "8ths", backbeat.hat_rate
    assert_equal "four-on-the-floor", floor.names.first
  end

  def test_names_follow_from_steps
    assert_equal ["half-time backbeat"], names(kick: [0], snare: [8])
    assert_equal ["tresillo"], names(kick: [0, 6, 12])
    assert_equal ["one-drop"], names(kick: [8])
    assert_includes names(kick: [0, 10], snare: [4, 12]), "two-step"
    assert_empty names(kick: [0, 3, 5], snare: [2])
    assert_equal ["train beat"], names(kick: [0, 4, 8, 12], snare: (0..14).step(2).to_a)
    assert_equal %w[two-step breakbeat backbeat], names(kick: [0, 2, 10], snare: [4, 12])
    assert_equal %w[four-on-the-floor backbeat], names(kick: [0, 4, 8, 12], snare: [4, 12])
  end

  def test_a_name_holds_in_every_bar_of_the_period
    all = told_rows(Array.new(8) { [0, 4, 8, 12] })
    every_other = told_rows(Array.new(8) { |bar| bar.even? ? [0, 4, 8, 12] : [0, 8] })

    assert_includes all.names, "four-on-the-floor"
    refute_includes every_other.names, "four-on-the-floor"
  end

  def test_a_bar_that_is_played_otherwise_departs
    recording = Band.new(bpm: 120).bars(7, chords: %w[C F], **Band::BACKBEAT).bars(1, chords: %w[F], kick: [0, 0.5, 1, 2, 2.5, 3],
      snare: [0.25, 1, 1.75, 2.25, 3, 3.25, 3.5, 3.75]).recording
    departures = patterns_of(recording).pattern(1, 8).departures

    assert_equal([[8, "fill"]], departures.map { |departure| [departure.bar, departure.kind] })
    assert(departures.first.strokes.any? { |stroke| stroke.piece == "snare" && stroke.more })
  end

  def test_a_pattern_of_two_bars_is_told_over_two_bars
    two = told_rows([[0, 8], [0, 6, 10]] * 4).rows.find { |row| row.piece == "kick" }

    assert_equal [2, [0, 8, 16, 22, 26]], [two.period, struck(two)]
    assert_equal([1, [0, 8]], told_rows([[0, 8]] * 8).rows.find { |row| row.piece == "kick" }.then { |row| [row.period, struck(row)] })
  end

  def test_what_a_bar_has_more_or_less_is_told_stroke_by_stroke
    pattern = told_rows(([[0, 8]] * 7) + [[0, 14]])
    told = pattern.departures.flat_map { |bar| bar.strokes.select { |stroke| stroke.piece == "kick in" }.map { |stroke| [bar.bar, stroke.beat, stroke.more] } }

    assert_equal [[8, 3.0, false], [8, 4.5, true]], told
  end

  def test_periods_are_the_shortest_that_say_all
    rows = { 1 => [[0]], 2 => [[0], [8]], 4 => [[0], [0], [0], [8]], 8 => ([[0]] * 7) + [[4]] }
    rows.each do |period, bars|
      strokes = Numo::DFloat.zeros(16, 16)
      16.times { |bar| bars[bar % bars.size].each { |step| strokes[bar, step] = 1 } }

      assert_equal period, Rhythm::PatternPeriod.of(strokes)
    end
  end

  def test_onsets_that_are_played_late_are_told_in_milliseconds
    timing = timings(late: 0.012).find { |found| found.register == "high" }

    assert_in_delta 12.0, timing.offsets_ms[4] - timings(late: 0.0).find { |found| found.register == "high" }.offsets_ms[4], 4.0
    assert_nil timing.offsets_ms[1]
  end

  def test_a_machine_is_tight_and_a_hand_is_not
    machine = Rhythm::MicroTiming.feel(timings(late: 0.0))
    hand = Rhythm::MicroTiming.feel(timings(late: 0.0, spread: 0.02))

    assert_equal "programmed", machine
    assert_includes %w[played loose], hand
  end

  private

  def patterns_of(recording, told: [])
    features = Ethoscope::Engine::Features.of(recording)
    drums = Rhythm::DrumSteps.of(features.short, Rhythm::StepGrid.new(grid(start: 0.3), nil), told:)
    Rhythm::DrumPatterns.new(drums, Rhythm::StrokesInContext.new(drums, features.spectra, [0...8]))
  end

  def pattern(**drums) = patterns_of(Band.new(bpm: 120).bars(8, chords: %w[C F], **drums).recording).pattern(1, 8)

  def struck(row) = row.hits.each_index.select { |step| row.hits[step].positive? }

  # A kick that a score tells, on these steps of each bar.
  def told_rows(bars)
    velocity = Numo::DFloat.zeros(8, 16)
    bars.each_with_index { |steps, bar| steps.each { |step| velocity[bar, step] = 0.8 } }
    @quiet ||= Band.new(bpm: 120).bars(8, chords: %w[C F]).recording
    patterns_of(@quiet, told: [Rhythm::ToldStrokes.new(role: "kick", piece: "kick", layer: "kick in", source: "midi", velocity:)]).pattern(1, 8)
  end

  def likely(probability) = probability.each_index.select { |step| probability[step] > 0.6 }

  def names(**struck)
    rows = %i[kick snare hats].map do |piece|
      probability = Array.new(16) { |step| struck.fetch(piece, []).include?(step) ? 1.0 : 0.0 }
      Rhythm::StepRow.new(piece: piece.to_s, layer: piece.to_s, source: "mix", period: 1, hits: probability, probability:, velocity: probability, ghost: [0.0] * 16)
    end
    Rhythm::PatternNames.of(rows, "4/4")
  end

  # Clicks on every beat, each late by the same time and a random one.
  def timings(late:, spread: 0.0)
    random = Random.new(3)
    samples = Numo::SFloat.zeros(22_050 * 18)
    click = Numo::SFloat[*Array.new(400) { |i| random.rand(-1.0..1.0) * Math.exp(-i / 60.0) }]
    32.times do |beat|
      at = ((0.5 + (beat * 0.5) + late + random.rand(-spread..spread)) * 22_050).round
      samples[at...(at + 400)] += click
    end
    onset = Ethoscope::Signal::OnsetStrength.new(Ethoscope::Signal::ShortTime.of(samples, 22_050))
    Rhythm::MicroTiming.new(onset, Rhythm::StepGrid.new(grid, nil)).timings
  end
end
