# frozen_string_literal: true

require_relative "../../test_helper"

# A target, the place it is for, and the verdict on another song.
class MeasureTargetsTest < Ethoscope::TestCase
  Place = Ethoscope::Measures::Place

  def target(measure, value, tolerance, place: Place.song)
    Measures::Target.new(measure:, place:, value:, tolerance:, source: "mix", confidence: 1.0, holds: nil)
  end

  def vector(**parts) = Measures::Vector.of(Fixture.varied(**parts))

  def test_closeness_is_told_by_the_tolerance
    assert_equal(%w[exact exact close close ballpark missing], [0.0, 0.5, 0.6, 2.0, 4.0, 4.1].map { |distance| Measures::Closeness.of(distance, 2.0) })
    assert_equal(%w[exact missing], [0.0, 1.0].map { |distance| Measures::Closeness.of(distance, 0) })
  end

  def test_a_verdict_says_both_values_and_how_far_they_are_apart
    verdict = Measures::Verdict.of(target("time.tempo", { bpm: 100.0 }, 1.0), vector(tempo: Fixture.tempo(101.5)))

    assert_equal [{ bpm: 100.0 }, { bpm: 101.5 }, 1.5, "ballpark"], verdict.to_h.values_at(:here, :there, :distance, :closeness)
  end

  def test_what_the_other_song_does_not_tell_is_missing
    verdict = Measures::Verdict.of(target("harmony.key", { tonic: "A", mode: "minor" }, 0), vector(key: nil))

    assert_equal [nil, nil, "missing"], verdict.to_h.values_at(:there, :distance, :closeness)
  end

  def test_a_song_reaches_every_target_that_was_read_off_itself
    song = Fixture.song("itself")
    targets = Ethoscope::Checklist::SongTargets.new(song, exact: true).all
    verdicts = targets.map { |wanted| Measures::Verdict.of(wanted, song.vector) }

    assert_operator verdicts.size, :>=, 40
    assert_equal ["exact"], verdicts.map(&:closeness).uniq
  end

  def test_a_place_is_found_again_by_its_bars_and_its_layer
    there = vector
    kick = Place.of_layer(role: "kick", name: "kick").within(first_bar: 6, bars: 2)

    assert_equal(["kick", 5], there.at("groove.steps", kick).place.then { |place| [place.role, place.first_bar] })
    assert_nil there.at("groove.steps", Place.of_layer(role: "kick", name: "second kick"))
  end

  def test_a_target_is_plain_data_and_back
    place = Place.of_layer(role: "bass", name: "bass di").within(label: "verse", letter: "A", first_bar: 5, bars: 4)
    wanted = target("layers.fill", 80.0, 15, place:)
    plain = JSON.parse(JSON.generate(wanted.to_h), symbolize_names: true)

    assert_equal [5, 4, "bass", "bass di", "%"], plain.values_at(:first_bar, :bars, :role, :layer, :unit)
    assert_equal wanted, Measures::Target.from_h(plain)
    assert_equal ["80 %", "±15 %"], [wanted.words, wanted.tolerance_words]
  end

  def test_places_know_their_last_bar_and_their_kind
    second = Place.of_section(label: "verse 2", letter: "A", first_bar: 9, bars: 4)

    assert_equal [12, "verse"], [second.last_bar, second.kind]
    assert second.overlaps?(Place.song)
    refute second.overlaps?(Place.of_section(first_bar: 13, bars: 4))
  end
end
