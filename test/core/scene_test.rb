# frozen_string_literal: true

require_relative "../test_helper"

# What detectors look at, measured on sound that is known.
class SceneTest < Ethoscope::TestCase
  HALF = [0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5].freeze

  # Four bars of quarter hats, then four of eighths; the first half dull and mono.
  def self.scene
    @scene ||= begin
      band = Band.new(bpm: 120)
      band.bars(4, chords: %w[C], dull: true, bass: false).bars(4, chords: %w[C], wide: true, kick: [0, 1, 2, 3], snare: [1, 3], hats: HALF)
      build(band)
    end
  end

  def self.build(band)
    recording = band.recording
    edges = (0..32).map { |beat| band.time_of_bar(1) + (beat * 0.5) }
    grid = Ethoscope::Rhythm::BeatGrid.new(edges:, pickup: 0, meter: Ethoscope::Rhythm::Meter.named("4/4"))
    short = Ethoscope::Signal::ShortTime.of(Ethoscope::Audio::Resampler.halve(recording.mono), 22_050)
    width = Ethoscope::Audio::Width.new(Ethoscope::Audio::SoundField.of(recording))
    Ethoscope::Techniques::Scene.new(grid:, sections: [], onset: Ethoscope::Signal::OnsetStrength.new(short), short_time: short, layers: [],
      width: grid.bar_edges.each_cons(2).map { |from, to| width.between(from, to) }, patterns: [], hat_rates: [2.0] * 8)
  end

  def setup
    @scene = self.class.scene
  end

  def test_beats_of_a_bar
    assert_equal 0...4, @scene.beats_of(1)
    assert_equal 28...32, @scene.beats_of(8)
  end

  def test_struck_beats_stand_out_from_those_without
    assert_operator @scene.beats[:high][16..].sum / 16, :>, 3 * (@scene.beats[:high][0..14].sum / 15)
  end

  def test_brightness_and_width_follow_the_mix
    assert_operator @scene.brightness[5], :>, @scene.brightness[1] + 15
    assert_operator @scene.width[5], :>, @scene.width[1] + 0.02
  end

  def test_a_sighting_has_the_times_of_its_bars
    sighting = @scene.sighting("drum_drop", 3..4, confidence: 1.7, detail: { beats: 2 })

    assert_in_delta @scene.grid.bar_edges[2], sighting.start, 1e-3
    assert_in_delta @scene.grid.bar_edges[4], sighting.end, 1e-3
    assert_in_delta 0.99, sighting.confidence
    assert_equal({ beats: 2 }, sighting.detail)
  end

  def test_the_library_knows_every_kind_that_detectors_name
    kinds = [Ethoscope::Techniques::DrumDropout::KIND, Ethoscope::Techniques::Opening::FILTERED, Ethoscope::Techniques::Opening::NARROW,
             Ethoscope::Techniques::KickEveryBeat::KIND, Ethoscope::Techniques::HatRateChange::KIND]

    assert_equal kinds.sort, Ethoscope::Techniques::Library::ENTRIES.map(&:kind).sort
    assert_nil Ethoscope::Techniques::Library.entry("luck")
  end
end
