# frozen_string_literal: true

require_relative "../../test_helper"

# Detectors of arrangement on layers, levels and sections that are given: present, absent and a near miss each.
class ArrangementDetectorsTest < Ethoscope::TestCase
  Detectors = Ethoscope::Techniques::Detectors
  SONG = [["chorus", "A", 8], ["verse", "B", 8], ["chorus", "A", 8], ["verse", "B", 8], ["chorus", "A", 8]].freeze

  def test_a_dull_section_that_opens
    sighting = find(Detectors::FilteredSection, brightness: ([-40.0] * 8) + ([-10.0] * 8)).first

    assert_equal [1, 8, 30.0], [sighting.first_bar, sighting.last_bar, sighting.detail[:opens_by_db]]
    none(Detectors::FilteredSection, brightness: ([-20.0] * 8) + ([-10.0] * 8))
    none(Detectors::FilteredSection, brightness: ([-10.0] * 7) + [-60.0] + ([-10.0] * 8))
  end

  def test_mono_that_opens_wide
    assert_equal "width_contrast", find(Detectors::WidthContrast, width: ([0.001] * 8) + ([0.15] * 8)).first.kind
    none(Detectors::WidthContrast, width: ([0.05] * 8) + ([0.15] * 8))
    none(Detectors::WidthContrast, width: ([0.001] * 8) + ([0.01] * 8))
  end

  def test_a_song_that_opens_on_its_chorus
    assert_equal([1, 8], find(Detectors::OpensOnChorus, parts: SONG).first.then { |sighting| [sighting.first_bar, sighting.last_bar] })
    none(Detectors::OpensOnChorus, parts: SONG.drop(1))
    none(Detectors::OpensOnChorus, parts: SONG, energy: ([-22.0] * 8) + ([-12.0] * 32))
  end

  def test_one_layer_more_or_less_at_each_phrase_line
    layers = [Stage.layer("kick", [1.0] * 32)]

    assert_equal 4, find(Detectors::OneThingEveryN, parts: [["verse", "A", 32]], layers:, changes: changes(4, 1)).first.detail[:every]
    none(Detectors::OneThingEveryN, parts: [["verse", "A", 32]], layers:, changes: changes(16, 1))
    none(Detectors::OneThingEveryN, parts: [["verse", "A", 32]], layers:, changes: changes(4, 4))
    none(Detectors::OneThingEveryN, parts: [["verse", "A", 32]], layers: [Stage.layer("kick", [1.0] * 32, source: "mix")], changes: changes(4, 1))
  end

  def test_a_thin_bar_before_the_chorus
    assert_equal([8, 8], find(Detectors::ThinBar, energy: ([-12.0] * 7) + [-20.0] + ([-11.0] * 8)).first.then { |sighting| [sighting.first_bar, sighting.last_bar] })
    none(Detectors::ThinBar, energy: ([-12.0] * 7) + [-14.0] + ([-11.0] * 8))
    none(Detectors::ThinBar, energy: ([-12.0] * 7) + [-20.0] + ([-20.0] * 8))
  end

  def test_a_second_verse_with_another_layer
    pad = ([0.0] * 24) + ([1.0] * 8) + ([0.0] * 8)
    sighting = find(Detectors::SecondVerseVaried, parts: SONG, layers: [Stage.layer("kick", [1.0] * 40), Stage.layer("pad", pad)]).first

    assert_equal [25, 32, 1], [sighting.first_bar, sighting.last_bar, sighting.detail[:changes]]
    none(Detectors::SecondVerseVaried, parts: SONG, layers: [Stage.layer("kick", [1.0] * 40)])
    none(Detectors::SecondVerseVaried, parts: SONG, layers: [Stage.layer("pad", pad.map { |value| value * 0.4 })])
  end

  def test_a_last_chorus_with_more_than_ever
    three = %w[kick bass chords].map { |role| Stage.layer(role, [1.0] * 40) }
    late = Stage.layer("strings", ([0.0] * 32) + ([1.0] * 8))

    assert_equal 4, find(Detectors::LastChorusFull, parts: SONG, layers: [*three, late]).first.detail[:layers]
    none(Detectors::LastChorusFull, parts: SONG, layers: [*three, Stage.layer("strings", [1.0] * 40)])
    none(Detectors::LastChorusFull, parts: SONG, layers: [*three, Stage.layer("strings", ([0.0] * 36) + ([1.0] * 4))])
  end

  def test_a_tempo_that_climbs_for_some_bars
    ramp = grid_of(([120.0] * 6) + (1..6).map { |i| 120.0 + (i * 2) } + ([132.0] * 4))
    sighting = find(Detectors::TempoRamp, grid: ramp, constant: false).first

    assert_operator sighting.detail[:to_bpm], :>, sighting.detail[:from_bpm] + 6
    none(Detectors::TempoRamp, grid: grid_of([120.0] * 16), constant: true)
    none(Detectors::TempoRamp, grid: grid_of(Array.new(16) { |i| i.even? ? 120.0 : 120.6 }), constant: false)
  end

  private

  def changes(every, count)
    ((every + 1)..32).step(every).map { |bar| Ethoscope::Form::Change.new(bar:, enters: (1..count).map { |layer| "layer #{layer}" }, leaves: [], thins: [], swells: [], hats: nil) }
  end

  def grid_of(tempos)
    edges = tempos.flat_map { |bpm| [60.0 / bpm] * 4 }.each_with_object([0.0]) { |beat, list| list << (list.last + beat) }
    Stage.grid(edges:)
  end

  def find(detector, **given) = detector.find(Stage.scene(**given))

  def none(detector, **given) = assert_empty(find(detector, **given), detector.name)
end
