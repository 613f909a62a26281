# frozen_string_literal: true

require_relative "../test_helper"

# Each detector on a scene that is given beat by beat.
class TechniqueDetectorsTest < Ethoscope::TestCase
  Techniques = Ethoscope::Techniques
  Section = Ethoscope::Form::Section

  # Two sections of eight bars in 4/4 at 120 BPM, everything as usual unless told otherwise.
  class Scene < Techniques::Scene
    attr_writer :beats, :width, :brightness
    attr_accessor :hat_rates, :patterns

    def self.usual
      allocate.tap do |scene|
        edges = (0..64).map { |beat| beat * 0.5 }
        scene.instance_variable_set(:@grid, Ethoscope::Rhythm::BeatGrid.new(edges:, pickup: 0, meter: Ethoscope::Rhythm::Meter.named("4/4")))
        scene.instance_variable_set(:@sections, [section(1), section(9)])
        scene.beats = %i[low middle high].to_h { |name| [name, Array.new(64, 4.0)] }
        scene.width = Array.new(16, 0.1)
        scene.brightness = Array.new(16, -10.0)
        scene.hat_rates = Array.new(16, 2.0)
        scene.kicks([0])
      end
    end

    def self.section(first)
      Section.new(label: "part", letter: "A", first_bar: first, bars: 8, start: (first - 1) * 2.0, end: (first + 7) * 2.0, confidence: 0.9, reason: "")
    end

    # The same kick pattern in both sections, on these steps of sixteen.
    def kicks(steps)
      probability = Array.new(16) { |step| steps.include?(step) ? 1.0 : 0.0 }
      row = Ethoscope::Rhythm::StepRow.new(piece: "kick", probability:, velocity: probability, ghost: [0.0] * 16)
      @patterns = [1, 9].map do |first_bar|
        Ethoscope::Rhythm::StepPattern.new(first_bar:, bars: 8, steps: 16, rows: [row], names: [], hat_rate: nil, departures: [], confidence: 0.9)
      end
    end
  end

  def setup
    @scene = Scene.usual
  end

  def test_nothing_is_seen_where_nothing_happens
    assert_empty Techniques::Library.search(@scene)
  end

  def test_four_silent_beats_before_a_section_are_a_dropout
    (28..31).each { |beat| @scene.beats[:high][beat] = 0.1 }
    sighting = only(Techniques::DrumDropout)

    assert_equal [8, 8, 14.0, 16.0], [sighting.first_bar, sighting.last_bar, sighting.start, sighting.end]
    assert_equal({ beats: 4 }, sighting.detail)
  end

  def test_drums_that_do_not_come_back_have_not_dropped_out
    (28..63).each { |beat| @scene.beats[:high][beat] = 0.1 }

    assert_empty Techniques::DrumDropout.find(@scene)
  end

  def test_one_silent_beat_is_too_few_and_two_bars_are_a_section_without_drums
    @scene.beats[:high][31] = 0.1

    assert_empty Techniques::DrumDropout.find(@scene)
    (20..31).each { |beat| @scene.beats[:high][beat] = 0.1 }

    assert_empty Techniques::DrumDropout.find(@scene)
  end

  def test_a_rise_of_brightness_is_a_filter_that_opens
    @scene.brightness = ([-40.0] * 8) + ([-10.0] * 8)
    sighting = only(Techniques::Opening)

    assert_equal ["filtered_section", 1, 8], [sighting.kind, sighting.first_bar, sighting.last_bar]
    assert_in_delta 30.0, sighting.detail[:opens_by_db]
  end

  def test_one_more_bright_instrument_is_no_filter
    @scene.brightness = ([-20.0] * 8) + ([-10.0] * 8)

    assert_empty Techniques::Opening.find(@scene)
  end

  def test_a_bar_without_drums_does_not_make_a_section_dull
    @scene.brightness = ([-10.0] * 7) + [-60.0] + ([-10.0] * 8)

    assert_empty Techniques::Opening.find(@scene)
  end

  def test_mono_that_opens_is_a_narrow_section
    @scene.width = ([0.001] * 8) + ([0.15] * 8)

    assert_equal "width_contrast", only(Techniques::Opening).kind
    @scene.width = ([0.05] * 8) + ([0.15] * 8)

    assert_empty Techniques::Opening.find(@scene)
  end

  def test_a_kick_on_every_beat_runs_over_sections
    @scene.kicks([0, 4, 8, 12])
    sighting = only(Techniques::KickEveryBeat)

    assert_equal [1, 16], [sighting.first_bar, sighting.last_bar]
  end

  def test_kicks_on_the_off_beats_too_is_something_else
    @scene.kicks([0, 2, 4, 6, 8, 10, 12, 14])

    assert_empty Techniques::KickEveryBeat.find(@scene)
  end

  def test_hats_at_twice_the_rate
    @scene.hat_rates = ([2.0] * 8) + ([4.0] * 8)
    sighting = only(Techniques::HatRateChange)

    assert_equal 9, sighting.first_bar
    assert_equal({ from_per_beat: 2.0, to_per_beat: 4.0 }, sighting.detail)
  end

  def test_a_few_more_hits_or_no_hats_at_all_are_no_change_of_rate
    @scene.hat_rates = ([2.0] * 8) + ([2.6] * 8)

    assert_empty Techniques::HatRateChange.find(@scene)
    @scene.hat_rates = ([0.1] * 8) + ([2.0] * 8)

    assert_empty Techniques::HatRateChange.find(@scene)
  end

  private

  def only(detector)
    found = detector.find(@scene)

    assert_equal 1, found.size
    found.first
  end
end
