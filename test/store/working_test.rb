# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/fixture"

# Working with a checklist: items moved, split, joined, taken away and brought back; clocks and the logbook.
class WorkingTest < Ethoscope::TestCase
  include Application

  def setup
    super
    @study = library.studies.create(title: "Study", aim: "exact")
    @list = make
  end

  def make(titles = %w[Kick Snare Hats Loud], stages = %w[Groove Groove Groove Mix])
    items = titles.zip(stages).map do |title, stage|
      Ethoscope::Checklist::Item.new(stage:, title:, target: "on 1", tolerance: "same", targets: [], minutes: 10, steps: %w[one two], fallback: "", from: "layers", about: nil)
    end
    library.checklists.create(study_id: @study[:id], title: "List", school: Ethoscope::Checklist::Schools.find("chords"), items:)
  end

  def items = library.checklists.find(@list[:id])[:items]

  def titles = items.map { |item| item[:title] }

  def id(title) = items.find { |item| item[:title] == title }[:id]

  def undo = library.list_edits.undo(@list[:id])

  def redo_it = library.list_edits.redo(@list[:id])

  def test_an_item_is_moved_and_moved_back
    library.items.move(id("Hats"), 0)

    assert_equal %w[Hats Kick Snare Loud], titles
    assert_equal(%w[1.1 1.2 1.3 2.1], items.map { |item| item[:number] })
    assert library.checklists.find(@list[:id])[:by_hand]
    assert_equal "Move “Hats”", undo
    assert_equal %w[Kick Snare Hats Loud], titles
    refute library.checklists.find(@list[:id])[:by_hand]
    assert_equal ["Move “Hats”", nil], library.checklists.find(@list[:id]).values_at(:redo, :undo)
  end

  def test_what_is_moved_among_others_stands_under_their_heading
    library.items.move(id("Kick"), 3)

    assert_equal([%w[Snare Groove], %w[Hats Groove], %w[Loud Mix], %w[Kick Mix]], items.map { |item| item.values_at(:title, :heading) })
    assert_equal "Groove", library.items.find(id("Kick"))[:stage]
    library.items.move(id("Kick"), 99)

    assert_equal "Kick", titles.last
  end

  def test_what_is_split_joined_and_taken_away_comes_back
    library.items.split(id("Snare"), 2)

    assert_equal ["Kick", "Snare, part 1", "Snare, part 2", "Hats", "Loud"], titles
    library.items.join(id("Snare, part 2"))

    assert_equal ["Kick", "Snare, part 1", "Snare, part 2; Hats", "Loud"], titles
    assert_equal %w[two one two], library.items.find(id("Snare, part 2; Hats"))[:steps]
    library.items.delete(id("Kick"))

    assert_equal(%w[1.1 1.2 2.1], items.map { |item| item[:number] })
    3.times { undo }

    assert_equal %w[Kick Snare Hats Loud], titles
    assert_nil undo
    3.times { redo_it }

    assert_equal ["Snare, part 1", "Snare, part 2; Hats", "Loud"], titles
  end

  def test_what_was_undone_goes_once_something_else_is_done
    library.items.delete(id("Kick"))
    undo
    library.items.update(id("Kick"), { result: "substituted", why: "no such drum" })

    assert_nil redo_it
    assert_equal "Substituted", library.checklists.find(@list[:id])[:undo]
    undo

    assert_equal ["open", nil, ""], library.items.find(id("Kick")).values_at(:state, :result, :why)
  end

  def test_another_order_is_undone_as_well
    library.checklists.reorder(@list[:id], Ethoscope::Checklist::Schools.find("appearance"))
    library.items.move(id("Loud"), 0)
    2.times { undo }

    assert_equal ["chords", false], library.checklists.find(@list[:id]).values_at(:school, :by_hand)
  end

  def test_the_last_item_has_none_to_join
    assert_match(/the last item/, assert_raises(Ethoscope::Errors::Unfit) { library.items.join(id("Loud")) }.message)
  end

  def test_a_copy_is_a_list_of_its_own_with_nothing_done
    library.items.update(id("Kick"), { state: "done", note: "the old one" })
    copy = library.checklists.copy(@list[:id])

    assert_equal ["List, copy", %w[open], "the old one"], [copy[:title], copy[:items].map { |item| item[:state] }.uniq, copy[:items].first[:note]]
    library.checklists.delete(@list[:id])

    assert_equal 4, library.checklists.find(copy[:id])[:items].size
  end

  # A clock that was started so many seconds ago.
  def started(title, ago)
    library.logbook.start(library.items.find(id(title)))
    library.db[:items].where(id: id(title)).update(started_at: (Time.now - ago).utc.iso8601(3))
    library.items.find(id(title))
  end

  def log = library.logbook.of_study(@study[:id])

  def test_a_clock_that_is_stopped_is_written_down
    library.logbook.stop(started("Kick", 125))

    assert_equal [125, nil], library.items.find(id("Kick")).values_at(:spent, :started_at)
    assert_equal([["Kick", "List", 10, 125, ""]], log.map { |entry| entry.values_at(:title, :list, :box, :seconds, :decision) })
    library.logbook.stop(library.items.find(id("Kick")))

    assert_equal 1, log.size
  end

  def test_one_clock_runs_at_a_time_and_one_that_was_forgotten_does_not_run_for_days
    started("Kick", 300_000)
    library.logbook.start(library.items.find(id("Snare")))

    assert_equal [2400, nil], library.items.find(id("Kick")).values_at(:spent, :started_at)
    refute_nil library.items.find(id("Snare"))[:started_at]
  end

  def decide(title, change) = library.items.update(id(title), change)

  def test_what_is_decided_stops_the_clock_and_is_written_down_with_its_reason
    started("Hats", 60)
    decide("Hats", { result: "substituted", state: "done" })
    decide("Hats", { why: "none of these here" })
    decide("Kick", { state: "skipped" })
    decide("Kick", { note: "later" })

    assert_equal([["Kick", 0, "skipped", ""], ["Hats", 60, "substituted", "none of these here"]], log.map { |entry| entry.values_at(:title, :seconds, :decision, :why) })
    undo

    assert_equal 60, library.items.find(id("Hats"))[:spent]
  end

  def test_a_decision_that_is_refused_is_not_written_down_either
    assert_raises(Sequel::ConstraintViolation) { decide("Kick", { state: "half done" }) }
    assert_empty log
    assert_equal "open", library.items.find(id("Kick"))[:state]
  end

  def test_items_from_a_profile_go_to_the_end_of_their_stage_and_are_undone_at_once
    items = %w[Clap Bell].map do |title|
      Ethoscope::Checklist::Item.new(stage: "Groove", title:, target: "as in 3 of 3 songs", tolerance: "by ear", targets: [], minutes: 10, steps: [], fallback: "",
        from: "profile", about: nil)
    end
    library.items.add_all(@list[:id], items)

    assert_equal %w[Kick Snare Hats Clap Bell Loud], titles
    assert_equal "Add 2 from the profile", undo
    assert_equal %w[Kick Snare Hats Loud], titles
  end

  def test_later_boxes_are_sized_by_what_was_learned_and_the_log_outlives_the_list
    %w[Kick Snare Hats].each do |title|
      started(title, 1200)
      decide(title, { result: "close" })
    end

    assert_equal([["Groove", 3, 30, 60, 2.0]], library.logbook.pace.map { |line| line.to_h.values })
    assert_equal([20, 20, 20, 10], make[:items].map { |item| item[:minutes] })
    library.checklists.delete(@list[:id])

    assert_equal [%w[Hats List], 3], [log.first.values_at(:title, :list), log.size]
  end
end
