# frozen_string_literal: true

require_relative "../test_helper"

# Who is heard in which bar of a mix.
class LayerActivityTest < Ethoscope::TestCase
  # Chords and bass throughout, hats in the second half, kick and snare in the last quarter.
  def self.layers
    @layers ||= begin
      band = Band.new(bpm: 120)
      band.bars(8, chords: %w[Am F]).bars(4, chords: %w[Am F], hats: [0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5]).bars(4, chords: %w[Am F], **Band::BACKBEAT)
      Ethoscope::Layers::Activity.new(*parts(band.recording, band)).layers.to_h { |layer| [layer.role, layer] }
    end
  end

  def self.parts(recording, band)
    samples = Ethoscope::Audio::Resampler.halve(recording.mono)
    edges = (0..64).map { |beat| band.time_of_bar(1) + (beat * 0.5) }
    grid = Ethoscope::Rhythm::BeatGrid.new(edges:, pickup: 0, meter: Ethoscope::Rhythm::Meter.named("4/4"))
    long = Ethoscope::Signal::LongTime.new(samples, 22_050)
    short = Ethoscope::Signal::ShortTime.of(samples, 22_050)
    drums = Ethoscope::Rhythm::DrumSteps.of(short, Ethoscope::Rhythm::StepGrid.new(grid, nil))
    [short, Ethoscope::Harmony::NoteActivation.of(Ethoscope::Signal::LogSpectra.of(long, 0.0), grid.half_beat_edges), grid, drums]
  end

  def test_there_is_one_layer_a_role_with_a_value_a_bar
    layers = self.class.layers

    assert_equal Ethoscope::Layers::Activity::ROLES - [Ethoscope::Layers::Voice::ROLE], layers.keys
    assert(layers.values.all? { |layer| layer.activity.size == 16 && layer.activity.all? { |value| value.between?(0, 1) } })
  end

  def test_hats_enter_in_the_middle
    assert_operator mean("hats", 9..14), :>, mean("hats", 1..6) + 0.4
  end

  def test_the_kick_enters_last
    assert_operator mean("kick", 12..15), :>, mean("kick", 1..6) + 0.3
  end

  def test_bass_is_there_all_the_time
    assert_operator mean("bass", 0..15), :>, 0.6
  end

  def test_spans_are_runs_of_playing_bars_in_seconds
    spans = self.class.layers.fetch("hats").spans

    assert(spans.all? { |from, to| from < to })
    assert_in_delta 16.3, spans.first.first, 2.1
  end

  def test_confidence_lies_within_bounds
    assert(self.class.layers.values.all? { |layer| layer.confidence.between?(0.05, 0.95) })
  end

  private

  def mean(role, bars) = self.class.layers.fetch(role).activity[bars].then { |part| part.sum / part.size }
end
