# frozen_string_literal: true

require_relative "../test_helper"

class ChecklistTest < Ethoscope::TestCase
  Checklist = Ethoscope::Checklist

  def setup
    @song = Fixture.song("Fixture")
  end

  def test_every_item_has_a_target_a_time_box_and_the_reading_it_came_from
    items = Checklist::Plan.of_song(@song, aim: "exact").items

    assert_operator items.size, :>=, 12
    assert(items.all? { |item| !item.target.empty? && item.minutes.positive? && !item.from.empty? })
  end

  def test_targets_are_the_figures_of_the_readings
    tempo = find(Checklist::Plan.of_song(@song, aim: "exact").items, /Tempo/)

    assert_equal format("%.2f BPM", @song.bpm), tempo.target
    assert_equal({ measure: "time.tempo", value: { bpm: @song.bpm }, tolerance: 0.05, unit: "BPM", source: "mix" }, tempo.targets.first.to_h.except(:confidence))
    assert_equal %w[time.tempo time.course time.meter time.rivals], tempo.targets.map(&:measure)
  end

  def test_something_in_the_style_is_held_less_tightly
    assert_equal "±1 BPM", find(Checklist::Plan.of_song(@song, aim: "style").items, /Tempo/).tolerance
  end

  def test_a_new_key_moves_every_chord_and_says_by_how_much
    target = { key: Ethoscope::Harmony::Key.named("C", "minor") }
    items = Checklist::Plan.of_song(@song, aim: "style", wanted: target).items

    assert_match(/\ACm A♭/, find(items, /\AChords in the verse/).target)
    assert_includes find(items, /Key/).steps.first, "+3 semitones"
  end

  def test_the_nearest_way_to_a_key_is_taken
    plan = Checklist::Plan.of_song(@song, aim: "style", wanted: { key: Ethoscope::Harmony::Key.named("G", "minor") })

    assert_includes find(plan.items, /Key/).steps.first, "-2 semitones"
  end

  def test_a_new_tempo_is_the_target_and_sets_the_length
    items = Checklist::Plan.of_song(@song, aim: "style", wanted: { bpm: 60.0 }).items

    assert_equal "60.00 BPM", find(items, /Tempo/).target
    assert_equal "16 bars, 1:04", find(items, /Aim and length/).target
  end

  def test_the_profile_gives_ranges_in_the_place_of_figures
    songs = [70.0, 74.0, 146.0].map { |bpm| Fixture.song("at #{bpm}", tempo: Fixture.tempo(bpm)) }
    items = Checklist::Plan.of_profile(songs).items
    tempo = find(items, /\ATempo/)

    assert_equal "73.00 BPM", tempo.target
    assert_equal "±2 BPM", tempo.tolerance
    assert(items.all? { |item| item.from == "profile" })
  end

  def test_schools_order_the_same_stages
    assert_equal 1, Checklist::Schools::ALL.map { |school| school.stages.sort }.uniq.size
    assert(Checklist::Schools::ALL.all? { |school| school.stages.first(2) == ["Frame", "Tempo and key"] && school.stages.last == "Check" })
    assert_raises(ArgumentError) { Checklist::Schools.find("luck") }
  end

  private

  def find(items, title) = items.find { |item| item.title.match?(title) }
end
