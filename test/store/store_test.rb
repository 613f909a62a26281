# frozen_string_literal: true

require_relative "../test_helper"
require "stringio"

class StoreTest < Ethoscope::TestCase
  include Application

  def test_foreign_keys_and_the_write_ahead_log_are_on
    assert_equal 1, library.db.fetch("PRAGMA foreign_keys").single_value
    assert_equal "wal", library.db.fetch("PRAGMA journal_mode").single_value
    assert_raises(Sequel::ForeignKeyConstraintViolation) { library.db[:checklists].insert(study_id: 99, title: "x", school: "chords", created_at: "now") }
  end

  def test_a_writer_waits_for_another_one_while_threads_go_on
    held = Queue.new
    release = Queue.new
    holder = Thread.new do
      library.db.transaction(mode: :immediate) do
        library.db[:studies].insert(title: "first", aim: "study", created_at: "now")
        held << true
        release.pop
      end
    end
    held.pop
    writer = Thread.new { library.studies.create(title: "second", aim: "study") }
    release << true

    [holder, writer].each { |thread| assert thread.join(5), "a writer hangs" }

    assert_equal %w[first second], library.db[:studies].order(:id).select_map(:title)
  end

  def test_opening_twice_changes_nothing
    study = library.studies.create(title: "One", aim: "exact")
    again = Store::Library.new(library.home)

    assert_equal([study[:id]], again.studies.all.map { |row| row[:id] })
    again.db.disconnect
  end

  def test_a_recording_is_kept_once_under_the_hash_of_its_bytes
    first = keep("some bytes")
    second = keep("some bytes")

    assert_equal first, second
    assert_equal Digest::SHA256.hexdigest("some bytes"), first[:sha256]
    assert_equal "some bytes", File.read(library.recordings.path(first))
  end

  def test_a_recording_that_is_refused_leaves_nothing
    assert_raises(RuntimeError) { library.recordings.keep(StringIO.new("bad")) { raise "no" } }
    assert_empty recorded_files
    assert_equal 0, library.db[:recordings].count
  end

  def test_an_upload_cut_in_the_middle_leaves_nothing
    torn = Class.new { def read(_bytes) = (@once ? raise(EOFError, "connection lost") : (@once = true) && "half") }.new

    assert_raises(EOFError) { library.recordings.keep(torn) { { format: "wav" } } }
    assert_empty recorded_files
  end

  def test_a_full_disk_is_told_and_leaves_nothing
    full = Class.new { def read(_bytes) = raise(Errno::ENOSPC) }.new
    error = assert_raises(Store::DiskFull) { library.recordings.keep(full) { { format: "wav" } } }

    assert_match(/disk is full; nothing was stored/, error.message)
    assert_empty recorded_files
  end

  def test_what_a_killed_run_left_is_swept_at_the_next_start
    library
    File.write(File.join(library.home, "recordings", "part-1234"), "half")
    library.sweep

    assert_empty recorded_files
  end

  def test_a_failed_import_writes_no_row
    study = library.studies.create(title: "One", aim: "exact")

    assert_raises(Ethoscope::Errors::UnreadableAudio) { library.import(study[:id], StringIO.new("words"), "x.wav") }
    assert_equal([0, 0, 0], %i[recordings references analyses].map { |table| library.db[table].count })
  end

  def test_the_oldest_run_is_claimed_first_and_once
    ids = [keep("a"), keep("b")].map { |recording| library.analyses.queue(recording[:id])[:id] }

    assert_equal ids, [library.analyses.claim[:id], library.analyses.claim[:id]]
    assert_nil library.analyses.claim
  end

  def test_a_recording_waits_in_the_queue_once
    recording = keep("a")

    assert_equal library.analyses.queue(recording[:id])[:id], library.analyses.queue(recording[:id])[:id]
  end

  def test_after_a_crash_what_was_running_waits_again_three_times_at_most
    recording = keep("a")
    library.analyses.queue(recording[:id])
    2.times do
      library.analyses.claim
      library.analyses.resume

      assert_equal "queued", library.analyses.latest(recording[:id])[:state]
    end
    library.analyses.claim
    library.analyses.resume

    assert_equal "failed", library.analyses.latest(recording[:id])[:state]
    assert_match(/cut off 3 times/, library.analyses.latest(recording[:id])[:error])
  end

  def test_a_result_that_is_no_analysis_changes_nothing
    recording = keep("a")
    run = library.analyses.queue(recording[:id])
    library.analyses.claim

    assert_raises(JSON::ParserError) { library.analyses.finish(run[:id], "{half") }
    assert_equal "running", library.analyses.latest(recording[:id])[:state]
  end

  def test_a_new_analysis_leaves_a_correction_in_force
    reference = analysed_reference
    tempo = library.readings.current(reference[:id])["tempo"]
    library.readings.correct(tempo[:id], value: { bpm: 50 }, source: "heard", note: "")
    finish(reference[:recording_id])

    assert_equal "50.00 BPM", library.readings.current(reference[:id])["tempo"][:statement]
    assert_in_delta 50.0, library.song(library.references.find(reference[:id])).bpm
  end

  def test_a_refuted_correction_gives_way_to_what_it_replaced
    reference = analysed_reference
    measured = library.readings.current(reference[:id])["tempo"]
    heard = library.readings.correct(measured[:id], value: { bpm: 50 }, source: "told", note: "by a friend")
    library.readings.mark(heard[:id], "refuted")

    assert_equal measured[:id], library.readings.current(reference[:id])["tempo"][:id]
    assert_in_delta 100, library.song(library.references.find(reference[:id])).bpm, 0.5
  end

  def test_history_keeps_what_was_replaced
    reference = analysed_reference
    measured = library.readings.current(reference[:id])["key"]
    heard = library.readings.correct(measured[:id], value: { tonic: "C", mode: "major" }, source: "heard", note: "")

    assert_equal measured[:id], heard[:supersedes_id]
    assert_equal "corrected", library.readings.find(measured[:id])[:state]
  end

  def test_removing_a_study_takes_its_rows_and_leaves_recordings
    reference = analysed_reference
    library.studies.delete(reference[:study_id])

    assert_equal [0, 0], [library.db[:references].count, library.db[:readings].count]
    assert_equal 1, library.db[:recordings].count
    assert_raises(Store::Missing) { library.studies.find(reference[:study_id]) }
  end

  private

  def keep(bytes) = library.recordings.keep(StringIO.new(bytes)) { { format: "wav", duration: 5.0 } }

  def recorded_files = Dir.glob(File.join(library.home, "recordings", "**", "*")).select { |path| File.file?(path) }
end
