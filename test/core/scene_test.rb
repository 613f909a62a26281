# frozen_string_literal: true

require_relative "../test_helper"

# What detectors look at, measured on sound that is known; and the library of what they look for.
class SceneTest < Ethoscope::TestCase
  Techniques = Ethoscope::Techniques
  HALF = [0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5].freeze

  # Four bars of quarter hats, then four of eighths; the first half dull and mono.
  def self.scene
    @scene ||= begin
      band = Band.new(bpm: 120)
      band.bars(4, chords: %w[C], dull: true, bass: false).bars(4, chords: %w[C], wide: true, kick: [0, 1, 2, 3], snare: [1, 3], hats: HALF)
      edges = (0..32).map { |beat| band.time_of_bar(1) + (beat * 0.5) }
      grid = Ethoscope::Rhythm::BeatGrid.new(edges:, pickup: 0, meter: Ethoscope::Rhythm::Meter.named("4/4"))
      Techniques::Scene.new(grid:, sections: [], features: Ethoscope::Engine::Features.of(band.recording))
    end
  end

  def setup
    @scene = self.class.scene
  end

  def test_struck_beats_stand_out_from_those_without
    assert_operator @scene.beats[:high][16..].sum / 16, :>, 3 * (@scene.beats[:high][0..14].sum / 15)
  end

  def test_brightness_follows_the_mix
    assert_operator @scene.brightness[5], :>, @scene.brightness[1] + 15
  end

  def test_a_sighting_has_the_times_of_its_bars
    sighting = @scene.sighting("drum_drop", 3..4, confidence: 1.7, detail: { beats: 2 })

    assert_in_delta @scene.grid.bar_edges[2], sighting.start, 1e-3
    assert_in_delta @scene.grid.bar_edges[4], sighting.end, 1e-3
    assert_in_delta 0.99, sighting.confidence
    assert_equal [{ beats: 2 }, "mix", nil], [sighting.detail, sighting.source, sighting.evidence]
  end

  def test_the_better_source_tells_who_plays
    players = Ethoscope::Ensemble::Players.new(grid: Stage.grid,
      bass: [Ethoscope::Harmony::BassNote.new(pitch: 36, beat: 0.0, beats: 1.0, start: 0.0, end: 0.5, tone: "root", sure: 1.0)]).all

    assert_equal([["bass", "mix", [0.0], [1.0]]], players.map { |player| [player.role, player.source, player.events.map(&:beat), player.events.map(&:beats)] })
    scene = Stage.scene(players: [*players, Stage.player("kick", Stage.strokes([0, 2]))])

    assert_equal %w[midi mix], [scene.source_of(%w[kick snare]), scene.source_of(%w[bass])]
    assert_equal ["kick"], scene.told.map(&:role)
  end

  def test_strokes_a_hair_early_belong_to_their_beat
    player = Stage.player("kick", [[3.97, nil], [4.5, nil], [7.95, nil]])

    assert_equal [3.97, 4.5], player.within(4...8).map(&:beat)
  end

  def test_the_library_has_sixty_entries_and_more_each_complete
    entries = Techniques::Library.entries

    assert_operator entries.size, :>=, 60
    assert_equal entries.size, entries.map(&:kind).uniq.size
    entries.each do |entry|
      assert_equal 5, entry.steps.size, entry.kind
      refute_includes entry.to_h.values_at(:name, :summary, :hear, :mix, :stems, :midi, :measure, :wrong).map(&:to_s), "", entry.kind
      assert_includes Techniques::Library::FAMILIES, entry.family
    end
    assert_nil Techniques::Library.entry("luck")
  end

  def test_every_detector_looks_for_an_entry_and_says_so
    kinds = Techniques::Library.detectors.map { |detector| detector::KIND }

    assert_equal kinds.size, kinds.uniq.size
    assert_equal kinds.sort, Techniques::Library.entries.select(&:searched).map(&:kind).sort
    assert_equal Dir.glob(File.expand_path("../../lib/ethoscope/techniques/detectors/*.rb", __dir__)).size, kinds.size
  end
end
