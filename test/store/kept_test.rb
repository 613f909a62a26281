# frozen_string_literal: true

require_relative "../test_helper"

# What is kept ready, and whose turn it is to write.
class KeptTest < Ethoscope::TestCase
  include Application

  def test_a_thing_is_made_once_for_each_key
    kept = Store::Kept.new(3)
    made = []
    %i[a b a a].each { |key| kept.keep(key) { (made << key) && key.to_s } }

    assert_equal %i[a b], made
    assert_equal("a", kept.keep(:a) { flunk })
  end

  def test_those_that_were_not_asked_for_the_longest_go_first
    kept = Store::Kept.new(2)
    %i[a b a c].each { |key| kept.keep(key) { key } }

    assert_equal(:a, kept.keep(:a) { flunk })
    assert_equal(:again, kept.keep(:b) { :again })
  end

  def test_nothing_is_not_kept
    kept = Store::Kept.new(2)

    assert_nil(kept.keep(:a) { nil })
    assert_equal(1, kept.keep(:a) { 1 })
  end

  def test_a_sheet_is_laid_out_once_until_something_changes
    reference = analysed_reference
    first = library.sheet(reference)

    assert_same first, library.sheet(reference)
    id = library.readings.current(reference[:id])["key"][:id]
    library.journal.record(reference[:id], "Confirm") { |readings| readings.mark(id, "confirmed") }
    second = library.sheet(reference)

    refute_same first, second
    finish(reference[:recording_id])

    refute_same second, library.sheet(reference)
  end

  def test_a_page_is_made_anew_when_anything_on_it_changes
    reference = analysed_reference
    changes = [-> {}, -> { library.references.update(reference[:id], title: "Renamed") }, -> { pin(reference) }, -> { library.journal.undo(reference[:id]) },
               -> { library.analyses.queue(reference[:recording_id]) }, -> { library.import_score(reference, MidiFile.bytes([["Lead", 0, [[0, 1, 60]]]]), "song.mid") }]
    stamps = changes.map { |change| [change.call, stamp(reference)].last }

    assert_equal stamps.uniq, stamps
    assert_equal stamps.last, stamp(reference)
  end

  def test_what_profile_and_checklists_rest_on_changes_with_each_of_its_parts
    reference = analysed_reference(study = new_study)
    changes = [-> {}, -> { library.studies.update(study[:id], target_bpm: 90.0) }, -> { pin(reference) }, -> { library.entries.write(study[:id], "riser", { name: "Boil" }) },
               -> { library.entries.write(study[:id], "riser", { name: "Kettle" }) }, -> { finish(reference[:recording_id]) }, -> { library.references.delete(reference[:id]) }]
    stamps = changes.map { |change| [change.call, library.stamp(library.studies.find(study[:id]))].last }

    assert_equal stamps.uniq, stamps
  end

  def test_writers_take_turns_in_the_order_in_which_they_came
    library
    order = Queue.new
    inside = Queue.new
    first = Thread.new { library.db.transaction(mode: :immediate) { inside.pop } }
    Thread.pass until library.db.instance_variable_get(:@writing).locked?
    others = Array.new(4) do |i|
      Thread.new { library.db.transaction(mode: :immediate) { order << i } }.tap { |thread| Thread.pass until waiting?(thread) }
    end
    inside << true
    [first, *others].each(&:join)

    assert_equal [0, 1, 2, 3], Array.new(4) { order.pop }
  end

  # Asleep before the writers' lock, and not somewhere on the way to it.
  def waiting?(thread) = thread.status == "sleep" && thread.backtrace.to_a.first.to_s.include?("one_writer")

  def test_a_transaction_inside_another_does_not_wait_for_itself
    assert_equal(1, library.db.transaction(mode: :immediate) { library.db.transaction(mode: :immediate) { 1 } })
  end

  def test_reading_does_not_wait_for_a_writer
    study = new_study
    library.db.transaction(mode: :immediate) do
      library.studies.update(study[:id], title: "half written")

      assert_equal "Study", Thread.new { library.studies.find(study[:id])[:title] }.value
    end
    assert_equal "half written", library.studies.find(study[:id])[:title]
  end

  def test_runs_that_were_ended_on_purpose_wait_again_and_that_does_not_count
    reference = upload(new_study[:id], File.binread(Fixture.wav), "song.wav")[:reference]
    5.times do
      run = library.analyses.claim
      library.analyses.advance(run[:id], "rhythm", 0.5)
      library.analyses.release(run[:id])
    end

    assert_equal ["queued", nil, 0.0], library.analyses.latest(reference[:recording_id]).values_at(:state, :stage, :progress)
    4.times { library.analyses.claim && library.analyses.resume }

    assert_match(/cut off 3 times/, library.analyses.latest(reference[:recording_id])[:error])
  end

  private

  def stamp(reference) = Api::SheetPage.new(library, library.references.find(reference[:id])).stamp

  def pin(reference)
    library.journal.record(reference[:id], "Pin") do |readings|
      readings.note(reference[:id], aspect: "mark", value: { type: "idea", text: "x" }, statement: "x", source: "heard", starts_at: 1.0, ends_at: 2.0)
    end
  end
end
