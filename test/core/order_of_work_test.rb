# frozen_string_literal: true

require_relative "../test_helper"

# In which order items stand, how they are numbered, parted and joined, and how long they take.
class OrderOfWorkTest < Ethoscope::TestCase
  Schools = Ethoscope::Checklist::Schools
  School = Ethoscope::Checklist::School
  Parting = Ethoscope::Checklist::Parting

  def item(stage, title, targets = [], about: nil, **more) = { stage:, title:, targets:, about:, steps: [], minutes: 10, **more }

  def target(measure, bar = nil, value = "full", **place) = { measure:, value:, first_bar: bar, bars: bar && 4, **place }.compact

  def song
    [item("Check", "Listen"), item("Mix", "Levels", [target("mix.level", 1)]), item("Groove", "Kick", [target("groove.steps", 5, role: "kick")]), item("Frame", "Length"),
     item("Sounds", "A bass", [target("layers.card", role: "bass")], about: "layer:bass"), item("Chords and bass", "Chords", [target("harmony.chords", 1)]),
     item("Arrangement", "Map", [target("form.section", 1, label: "verse"), target("form.section", 5, label: "chorus")]),
     item("Arrangement", "Who plays", [target("layers.plays", 5, role: "bass"), target("layers.plays", 1, "absent", role: "bass")])]
  end

  def test_a_school_puts_stages_in_its_order_and_keeps_what_stands_in_them
    ordered = Schools.find("drums").ordered(song)

    assert_equal(["Length", "Kick", "Chords", "A bass", "Map", "Who plays", "Levels", "Listen"], ordered.map { |_, one| one[:title] })
    assert_equal(ordered.map { |_, one| one[:stage] }, ordered.map(&:first))
  end

  def test_in_order_of_appearance_each_thing_stands_in_the_section_that_first_needs_it
    ordered = Schools.find("appearance").ordered(song)

    assert_equal([["Frame", "Length"], ["Verse, bar 1", "Map"], ["Verse, bar 1", "Who plays"], ["Verse, bar 1", "Chords"], ["Chorus, bar 5", "A bass"],
                  ["Chorus, bar 5", "Kick"], ["Mix", "Levels"], ["Check", "Listen"]], ordered.map { |heading, one| [heading, one[:title]] })
  end

  def test_without_bars_the_order_of_appearance_is_that_of_stages
    items = song.map { |one| one.merge(targets: [], about: nil) }

    assert_equal(["Length", "Map", "Who plays", "A bass", "Kick", "Chords", "Levels", "Listen"], Schools.find("appearance").ordered(items).map { |_, one| one[:title] })
  end

  def test_numbers_follow_headings_also_where_one_comes_twice
    assert_equal %w[1.1 1.2 2.1 3.1], School.numbers(%w[Frame Frame Groove Frame])
    assert_empty School.numbers([])
  end

  def test_split_steps_take_their_targets_along_where_there_is_one_for_each
    steps = %w[one two three]
    first, second = Parting.split(item("Arrangement", "Map", %i[whole a b c], steps:, minutes: 15), 3)

    assert_equal([%w[one two], %w[three]], [first, second].map { |part| part[:steps] })
    assert_equal([%i[whole a b], %i[c]], [first, second].map { |part| part[:targets] })
    assert_equal([10, 5], [first, second].map { |part| part[:minutes] })
    assert_equal(["Map, part 1", "Map, part 2"], [first, second].map { |part| part[:title] })
  end

  def test_targets_that_belong_to_no_step_stay_with_the_first_part
    first, second = Parting.split(item("Groove", "Kick", %i[a b c d e], steps: %w[one two], minutes: 1), 2)

    assert_equal([%i[a b c d e], []], [first, second].map { |part| part[:targets] })
    assert_equal([1, 1], [first, second].map { |part| part[:minutes] })
  end

  def test_one_step_is_not_split
    error = assert_raises(Ethoscope::Errors::Unfit) { Parting.split(item("Groove", "Kick", steps: ["one"]), 2) }
    assert_match(/it has one step/, error.message)
    assert_raises(Ethoscope::Errors::Unfit) { Parting.split(item("Groove", "Kick", steps: %w[one two]), 1) }
  end

  def test_joined_items_ask_for_both
    parts = [["Kick", "on 1", 8, "soft"], ["Snare", "on 2", 10, ""]].map do |title, target, minutes, note|
      item("Groove", title, [title], target:, minutes:, note:, steps: [title], extra: 0, spent: 60)
    end
    joined = Parting.join(*parts)

    assert_equal ["Kick; Snare", "on 1; on 2", 18, "soft", 120], joined.values_at(:title, :target, :minutes, :note, :spent)
    assert_equal [%w[Kick Snare], %w[Kick Snare]], joined.values_at(:steps, :targets)
  end

  def timed(stage, *ratios) = ratios.map { |ratio| { stage:, minutes: 10, spent: (600 * ratio).round } }

  def test_boxes_are_sized_by_the_middle_of_what_three_of_a_kind_took
    pace = Ethoscope::Checklist::Pace.new(timed("Groove", 1.5, 2.0, 9.0) + timed("Sounds", 3.0, 3.0) + timed("Mix", 0.1, 0.1, 0.1) + timed("Check", 1.05, 1.0, 1.0, 0))

    assert_equal([2.0, 1.0, 0.5, 1.0], %w[Groove Sounds Mix Check].map { |stage| pace.factor(stage) })
    assert_equal [24, 12, 1], [pace.sized("Groove", 12), pace.sized("Sounds", 12), pace.sized("Mix", 1)]
    assert_equal([["Sounds", 2, 20, 60, 1.0], ["Groove", 3, 30, 125, 2.0]], pace.lines.first(2).map { |line| line.to_h.values })
  end
end
