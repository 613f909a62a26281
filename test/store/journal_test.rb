# frozen_string_literal: true

require_relative "../test_helper"

# Every change can be undone and done again, and none is lost.
class JournalTest < Ethoscope::TestCase
  include AnalysedSong

  def readings = library.readings

  def journal = library.journal

  def state = journal.state(@id)

  def correct(aspect, value)
    journal.record(@id, "Correct #{aspect}") { |taped| taped.correct(readings.current(@id)[aspect][:id], value:, source: "heard") }
  end

  def bpm = readings.current(@id)["tempo"][:value][:bpm]

  def test_undo_brings_back_each_step_and_redo_does_it_again
    first = bpm
    [90.0, 91.0, 92.0].each { |value| correct("tempo", { bpm: value }) }

    assert_equal(["Correct tempo"] * 3, Array.new(3) { journal.undo(@id) })
    assert_equal first, bpm
    assert_nil journal.undo(@id)
    2.times { journal.redo(@id) }

    assert_in_delta 91.0, bpm
    assert_equal ["Correct tempo", "Correct tempo", [false, false, true]], [state[:undo], state[:redo], state[:edits].map { |edit| edit[:undone] }]
  end

  def test_history_survives_a_restart
    correct("tempo", { bpm: 90.0 })
    library.db.disconnect
    again = Store::Library.new(library.home)

    assert_equal "Correct tempo", again.journal.undo(@id)
    assert_equal "measured", again.readings.current(@id)["tempo"][:source]
    assert_equal "Correct tempo", again.journal.redo(@id)
    again.db.disconnect
  end

  def test_something_new_ends_what_could_be_done_again
    correct("tempo", { bpm: 90.0 })
    journal.undo(@id)
    correct("key", { tonic: "C", mode: "major" })

    assert_nil journal.redo(@id)
    assert_equal(["Correct key"], state[:edits].map { |edit| edit[:label] })
  end

  def test_a_removed_note_comes_back_as_it_was
    layer = readings.note(@id, aspect: "layer", value: { name: "echo", spans: [] }, statement: "echo", source: "heard")
    journal.record(@id, "Remove") { |taped| taped.delete(layer[:id]) }
    journal.undo(@id)

    assert_equal layer, readings.find(layer[:id])
  end

  def test_a_later_write_from_another_window_is_told_what_happened
    seen = state[:revision]
    correct("tempo", { bpm: 90.0 })
    error = assert_raises(Store::Stale) { journal.record(@id, "Mine", revision: seen) { flunk } }

    assert_equal [seen + 1, ["Correct tempo"]], [error.revision, error.labels]
    assert_raises(Store::Stale) { journal.undo(@id, revision: seen) }
    assert_in_delta 90.0, bpm
  end

  def test_a_change_that_is_refused_leaves_no_trace
    before = state

    assert_raises(Ethoscope::Errors::Unfit) { correct("tempo", { bpm: 9000 }) }
    assert_equal before, state
  end

  def test_what_changes_nothing_is_no_step
    journal.record(@id, "Nothing") { nil }

    assert_empty state[:edits]
  end
end
