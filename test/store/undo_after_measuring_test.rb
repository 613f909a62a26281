# frozen_string_literal: true

require_relative "../test_helper"

# What was said of a measurement that was measured anew since: undo and redo reach the newest one.
class UndoAfterMeasuringTest < Ethoscope::TestCase
  include AnalysedSong

  def current(aspect) = library.readings.current(@id)[aspect]

  def record(label, &) = library.journal.record(@id, label, &)

  def measure_again(**parts) = finish(@reference[:recording_id], Fixture.varied(**parts))

  def newest(aspect) = library.readings.of_aspect(@id, aspect).reverse.find { |row| row[:source] == "measured" }

  def test_a_confirmation_is_taken_back_from_the_newer_measurement
    record("Confirm meter") { |readings| readings.mark(current("meter")[:id], "confirmed") }
    measure_again

    assert_equal "confirmed", current("meter")[:state]
    library.journal.undo(@id)

    assert_equal ["open", newest("meter")[:id]], current("meter").values_at(:state, :id)
    library.journal.redo(@id)

    assert_equal ["confirmed", newest("meter")[:id]], current("meter").values_at(:state, :id)
    assert_empty library.readings.contradictions(@id)
  end

  def test_when_a_correction_is_taken_back_the_newest_measurement_is_in_force
    record("Correct tempo") { |readings| readings.correct(current("tempo")[:id], value: { bpm: 50.0 }, source: "heard") }
    measure_again(tempo: Fixture.tempo(120.0))
    measure_again(tempo: Fixture.tempo(121.0))
    library.journal.undo(@id)

    assert_equal ["measured", "open", 121.0], [*current("tempo").values_at(:source, :state), current("tempo")[:value][:bpm]]
    assert_empty library.readings.contradictions(@id)
    library.journal.redo(@id)

    assert_equal ["heard", 50.0], [current("tempo")[:source], current("tempo")[:value][:bpm]]
    assert_empty library.readings.contradictions(@id)
  end

  def test_a_refutation_is_taken_back_too
    record("Refute key") { |readings| readings.mark(current("key")[:id], "refuted") }
    measure_again

    assert_equal "refuted", newest("key")[:state]
    library.journal.undo(@id)

    assert_equal %w[open measured], current("key").values_at(:state, :source)
  end

  def test_other_aspects_keep_what_was_said_of_them
    record("Confirm key") { |readings| readings.mark(current("key")[:id], "confirmed") }
    record("Confirm meter") { |readings| readings.mark(current("meter")[:id], "confirmed") }
    measure_again
    library.journal.undo(@id)

    assert_equal %w[confirmed open], [current("key")[:state], current("meter")[:state]]
  end

  def test_what_was_said_of_the_newest_is_undone_as_ever
    record("Confirm key") { |readings| readings.mark(current("key")[:id], "confirmed") }
    measure_again
    record("Correct key") { |readings| readings.correct(current("key")[:id], value: { tonic: "C", mode: "major" }, source: "heard") }
    2.times { library.journal.undo(@id) }

    assert_equal ["open", newest("key")[:id]], current("key").values_at(:state, :id)
    2.times { library.journal.redo(@id) }

    assert_equal %w[C heard], [current("key")[:value][:tonic], current("key")[:source]]
  end

  def test_only_what_is_touched_is_remembered
    200.times { |i| library.readings.note(@id, aspect: "mark", value: { type: "idea", text: i.to_s }, statement: i.to_s, source: "heard", starts_at: 1.0, ends_at: 2.0) }
    record("Pin") { |readings| readings.note(@id, aspect: "mark", value: { type: "idea", text: "last" }, statement: "last", source: "heard", starts_at: 1.0, ends_at: 2.0) }
    changes = JSON.parse(library.db[:edits].where(reference_id: @id).order(:id).last[:changes])

    assert_equal([nil], changes.map { |change| change["before"] })
  end

  def test_what_replaced_a_removed_note_gets_its_link_back
    first = record("One") { |readings| readings.note(@id, aspect: "chord", value: { symbol: "C" }, statement: "C", source: "heard", starts_at: 1.0, ends_at: 2.0) }
    second = record("Two") do |readings|
      readings.note(@id, aspect: "chord", value: { symbol: "D" }, statement: "D", source: "heard", starts_at: 1.0, ends_at: 2.0, supersedes_id: first[:id])
    end
    record("Remove") { |readings| readings.delete(first[:id]) }

    assert_nil library.readings.find(second[:id])[:supersedes_id]
    library.journal.undo(@id)

    assert_equal first[:id], library.readings.find(second[:id])[:supersedes_id]
  end
end
