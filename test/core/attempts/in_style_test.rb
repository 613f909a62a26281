# frozen_string_literal: true

require_relative "../../test_helper"

# An attempt beside several songs, instead of laid on one.
class InStyleTest < Ethoscope::TestCase
  def song(title, bpm: 120.0, loudness: -14.0, **drawn) = Fixture.song_of(DrawnSong.new(bpm:, loudness:, **drawn).analysis, title)

  # Three songs between 118 and 124 BPM, between -15 and -13 LUFS.
  def songs = @songs ||= [song("one", bpm: 118.0, loudness: -15.0), song("two", bpm: 121.0, seed: 2), song("three", bpm: 124.0, loudness: -13.0, seed: 3)]

  def lines(attempt, **wanted) = Attempts::InStyle.new(attempt, songs, **wanted).lines.to_h { |line| [line.id, line] }

  def test_figures_lie_inside_the_range_of_the_songs_at_its_edge_or_outside
    tempo = ->(bpm) { lines(song("mine", bpm:))["time.tempo"] }

    assert_equal ["inside", [118.0, 124.0], [118.0, 121.0, 124.0], 0], tempo.call(119.0).to_h.values_at(:standing, :range, :points, :apart)
    assert_equal ["edge", 1.0, "BPM"], tempo.call(125.0).to_h.values_at(:standing, :apart, :unit)
    assert_equal ["outside", 6.0, "At 130.0 BPM"], tempo.call(130.0).to_h.values_at(:standing, :apart, :attempt)
  end

  def test_a_tempo_counted_twice_as_fast_is_the_same_groove
    assert_equal "inside", lines(song("mine", bpm: 60.5))["time.tempo"].standing
  end

  def test_a_wanted_tempo_is_what_counts
    line = lines(song("mine", bpm: 119.0), bpm: 90.0)["time.tempo"]

    assert_equal ["outside", 29.0, "At 90.0 BPM, as you want it"], line.to_h.values_at(:standing, :apart, :words)
    assert_equal "inside", lines(song("mine", bpm: 90.0), bpm: 90.0)["time.tempo"].standing
  end

  def test_what_is_furthest_outside_comes_first_and_what_is_not_told_last
    told = Attempts::InStyle.new(song("mine", bpm: 140.0, loudness: -22.0), songs).lines
    standings = told.map { |line| Attempts::InStyle::STANDINGS.index(line.standing) }

    assert_equal ["time.tempo", 16.0], told.first.to_h.values_at(:id, :apart)
    assert_equal standings.sort, standings
  end

  def test_what_the_songs_do_and_it_does_not_is_outside
    bare = lines(song("mine", form: [["verse", 8], ["chorus", 8]]))["layers.bare_start=true"]
    seventh = lines(song("mine", form: [["intro", 16]]))["harmony.degrees=v"]

    assert_equal ["outside", "The kit plays from the first section on", [3, 3], nil], bare.to_h.values_at(:standing, :attempt, :holds, :range)
    assert_equal ["outside", "not in yours"], seventh.to_h.values_at(:standing, :attempt)
  end

  def test_one_song_is_no_style
    assert_empty Attempts::InStyle.new(song("mine"), songs.first(1)).lines
  end

  def test_it_is_told_as_plain_data
    told = Attempts::InStyle.new(song("mine"), songs).to_h

    assert_equal [3, []], told.values_at(:songs, :near)
    assert_equal told[:lines].size, told[:counts].values.sum
  end
end

# Items of a checklist that was made from several songs.
class StyleJudgeTest < Ethoscope::TestCase
  def target(measure, value, tolerance: 1, **place)
    Measures::Target.new(measure:, place: Measures::Place.song.with(**place), value:, tolerance:, source: "profile", confidence: 1.0, holds: [3, 3])
  end

  def technique(kind) = target("techniques.technique", { kind:, name: kind }, tolerance: 0)

  def judge(song = DrawnSong.new, **wanted) = Attempts::StyleJudge.new(Measures::Vector.of(song.analysis), **wanted)

  def test_targets_are_held_against_what_was_measured
    verdict = judge.of([target("time.tempo", { bpm: 121.0 }, tolerance: 2)])

    assert_equal ["close", 1.0], [verdict.closeness, verdict.targets.first.distance]
    assert_equal "missing", judge.of([target("time.tempo", { bpm: 121.0 }, tolerance: 2), target("mix.loudness", -20.0, tolerance: 1)]).closeness
  end

  def test_a_technique_is_there_wherever_it_is_seen
    seen = judge(DrawnSong.new.see("filtered_section", 1, 4).see("drum_drop", 12, 12))

    assert_equal "exact", seen.of([technique("drum_drop")]).closeness
    assert_equal "missing", seen.of([technique("pumping")]).closeness
    assert_equal "none seen", judge.of([technique("pumping")]).targets.first.there
  end

  def test_what_no_figure_tells_stays_with_the_ear
    assert_nil judge.of([target("layers.sound", "bright", role: "bass")]).closeness
    assert_nil judge.of([]).closeness
  end
end
