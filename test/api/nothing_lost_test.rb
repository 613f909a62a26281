# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/analysed_song"
require_relative "../support/dropped_attempts"

# Whatever is undone, moved, deleted or searched for: nothing that was stored is lost, and no answer is a fault.
class NothingLostTest < Ethoscope::TestCase
  include AnalysedSong

  def list = @list ||= send_json(:post, "/api/studies/#{@reference[:study_id]}/checklists", from: "reference", reference_id: @id)[:checklist]

  # An item that rests on a correction which is undone meanwhile.
  def item_of_a_correction
    library.journal.record(@id, "Correct key") do |readings|
      readings.correct(library.readings.current(@id)["key"][:id], value: { tonic: "D", mode: "dorian" }, source: "heard")
    end
    reading = library.readings.current(@id)["key"]
    item = list[:items].first
    library.db[:items].where(id: item[:id]).update(reading_id: reading[:id])
    item
  end

  def test_an_item_comes_back_also_when_the_correction_that_it_rests_on_was_undone
    item = item_of_a_correction
    send_json(:delete, "/api/items/#{item[:id]}")
    library.journal.undo(@id)
    send_json(:post, "/api/checklists/#{list[:id]}/undo")

    assert_equal 200, last_response.status
    assert_equal [item[:id], nil], library.items.find(item[:id]).values_at(:id, :reading_id)
  end

  def test_the_state_of_an_attempt_comes_back_also_when_a_correction_was_undone
    item = item_of_a_correction
    song = library.references.create(study_id: @reference[:study_id], recording: another_recording, title: "mine", artist: nil, original_name: "mine.wav", attempt: true)
    attempt = library.attempts.create(song, against_id: @id, checklist: library.checklists.find(list[:id]))
    send_json(:delete, "/api/items/#{item[:id]}")
    library.journal.undo(@id)
    send_json(:post, "/api/attempts/#{attempt[:id]}/list")

    assert_equal 200, last_response.status
    assert_nil library.items.find(item[:id])[:reading_id]
  end

  def test_a_list_that_was_deleted_is_changed_by_nothing
    send_json(:patch, "/api/items/#{list[:items].first[:id]}", state: "done")
    send_json(:delete, "/api/checklists/#{list[:id]}")
    send_json(:post, "/api/checklists/#{list[:id]}/undo")

    assert_equal 404, last_response.status
    assert_equal "done", library.items.find(list[:items].first[:id])[:state]
    send_json(:post, "/api/checklists/#{list[:id]}/bring-back")
    undone = send_json(:post, "/api/checklists/#{list[:id]}/undo")[:checklist]

    assert_equal "open", undone[:items].first[:state]
  end

  def test_a_correction_comes_back_also_when_what_it_replaced_is_gone
    reading = library.readings.current(@id)["tempo"]
    library.journal.record(@id, "Correct") { |readings| readings.correct(reading[:id], value: { bpm: 90.0 }, source: "heard") }
    library.journal.undo(@id)
    library.db[:readings].where(id: reading[:id]).delete
    library.journal.redo(@id)

    assert_equal([90.0, reading[:id]], library.readings.current(@id)["tempo"].then { |row| [row[:value][:bpm], row[:supersedes_id]] })
  end

  def test_a_song_that_moves_does_not_take_the_place_of_what_was_deleted_there
    other = new_study(title: "Other")
    copy = send_json(:post, "/api/references/#{@id}/moves", study_id: other[:id], copy: true)[:reference]
    library.readings.note(copy[:id], aspect: "mark", value: { type: "idea", text: "mine" }, statement: "idea", source: "heard", starts_at: 0.0, ends_at: 1.0)
    send_json(:delete, "/api/references/#{copy[:id]}")
    [true, false].each do |copied|
      send_json(:post, "/api/references/#{@id}/moves", study_id: other[:id], copy: copied)

      assert_problem 409, "duplicate", /among what was deleted/
    end
    send_json(:post, "/api/references/#{copy[:id]}/bring-back")

    assert_equal "mine", library.readings.of_aspect(copy[:id], "mark").first.dig(:value, :text)
  end

  def test_an_attempt_and_its_song_are_one
    song = library.references.create(study_id: @reference[:study_id], recording: another_recording, title: "mine", artist: nil, original_name: "mine.wav", attempt: true)
    library.attempts.create(song, against_id: @id, checklist: nil)
    [[:delete, "/api/references/#{song[:id]}"], [:delete, "/api/references/#{song[:id]}?for_good=true"]].each do |verb, path|
      send_json(verb, path)

      assert_problem 422, "invalid", /attempt 1/
    end
    send_json(:post, "/api/references/#{song[:id]}/moves", study_id: new_study(title: "Other")[:id])

    assert_problem 422, "invalid", /attempt 1/
    get_json("/api/studies/#{@reference[:study_id]}/attempts")

    assert_equal 200, last_response.status
  end

  def test_verdicts_are_of_items_of_the_attempt_s_own_list
    song = library.references.create(study_id: @reference[:study_id], recording: another_recording, title: "mine", artist: nil, original_name: "mine.wav", attempt: true)
    attempt = library.attempts.create(song, against_id: @id, checklist: nil)
    send_json(:put, "/api/attempts/#{attempt[:id]}/verdicts/#{list[:items].first[:id]}", closeness: "exact", why: "by ear")

    assert_problem 404, "missing"
    assert_empty library.attempts.overruled(attempt[:id])
  end

  def test_words_are_found_in_every_script_and_no_names_of_fields
    new_study(title: "Ünder Дождь")
    { "ünder" => 1, "дождь" => 1, "ДОЖДЬ ÜNDER" => 1, "bpm" => 0, "layer_id" => 0 }.each do |words, count|
      found = get_json("/api/search?words=#{URI.encode_www_form_component(words)}")[:found]

      assert_equal count, found.count { |hit| %w[study mark layer].include?(hit[:kind]) }, words
    end
  end

  def test_a_decision_keeps_its_reason_and_where_it_is_said
    reading = library.readings.current(@id)["key"]
    send_json(:patch, "/api/readings/#{reading[:id]}", state: "refuted", note: "the bass rests on D", link: "https://example.org/talk")

    assert_equal ["refuted", "the bass rests on D", "https://example.org/talk"], library.readings.find(reading[:id]).values_at(:state, :reason, :link)
    send_json(:patch, "/api/readings/#{reading[:id]}", state: "open", link: "javascript:alert(1)")

    assert_problem 422, "invalid", /Link/
    library.journal.undo(@id)

    assert_equal ["open", ""], library.readings.find(reading[:id]).values_at(:state, :reason)
  end

  def test_what_can_be_worked_out_again_is_read_also_when_nothing_can_be_stored
    full = Sequel::DatabaseError.new("full").tap { |error| error.wrapped_exception = SQLite3::FullException.new("full") }
    library.db[:vectors].delete

    library.db.stub(:[], ->(table) { table == :vectors ? raise(full) : Sequel::Database.instance_method(:[]).bind_call(library.db, table) }) do
      assert_nil(Store::Database.at_leisure { library.db[:vectors] })
    end
    assert_raises(Sequel::DatabaseError) { Store::Database.at_leisure { raise Sequel::DatabaseError, "another fault" } }
  end

  def test_a_full_disk_is_told_wherever_it_is_met
    library.references.stub(:find, ->(_) { raise Errno::ENOSPC }) { get_json("#{@path}/audio") }

    assert_problem 507, "disk_full"
  end

  def test_keys_are_kept_only_when_they_are_keys
    [{ play: 5 }, { play: { a: 1 } }, { "x" * 100 => "p" }].each do |keys|
      send_json(:patch, "/api/settings", keys:)

      assert_problem 422, "invalid", /key/
    end
    send_json(:patch, "/api/settings", keys: { play: "p" }, theme: "loud")

    assert_equal({ play: "p" }, answer[:settings][:keys])
    refute answer[:settings].key?(:theme)
  end

  def test_what_was_deleted_is_freed_when_it_is_much
    refute Store::Database.tidy(library.db)
    library.db[:settings].insert(name: "ballast", value: "x" * (24 << 20))
    library.db[:settings].where(name: "ballast").delete
    size = -> { File.size(File.join(library.home, "ethoscope.sqlite3")) }
    library.db.run("PRAGMA wal_checkpoint(TRUNCATE)")
    before = size.call

    assert Store::Database.tidy(library.db)
    library.db.run("PRAGMA wal_checkpoint(TRUNCATE)")

    assert_operator size.call, :<, before - (20 << 20)
    refute Store::Database.tidy(library.db)
  end

  private

  def another_recording
    File.open(Fixture.wav, "rb") { |file| library.recordings.keep(StringIO.new(file.read.tap { |bytes| bytes.setbyte(3000, 7) })) { { format: "wav", duration: 8.0 } } }
  end
end
