# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/analysed_song"

# Many songs at once; what studies, sounds and the example tell before anybody has done anything.
class ManySongsTest < Ethoscope::TestCase
  include AnalysedSong

  def study_id = @reference[:study_id]

  def many(action, ids, **more) = send_json(:post, "/api/studies/#{study_id}/many", { action:, ids: }.merge(more))[:left]

  # Other bytes of the same sound, as another song.
  def second_song
    bytes = File.binread(Fixture.wav).tap { |sound| sound.setbyte(2600, 9) }
    recording = library.recordings.keep(StringIO.new(bytes)) { { format: "wav", duration: Fixture.analysis.fetch(:duration) } }
    song = library.references.create(study_id:, recording:, title: "second", artist: nil, original_name: "second.wav")
    finish(recording[:id])
    song
  end

  def test_songs_are_set_aside_deleted_restored_and_moved_together
    ids = [@id, second_song[:id]]

    assert_empty many("aside", ids)
    assert_equal(%w[aside aside], ids.map { |id| library.references.find(id)[:standing] })
    assert_empty many("delete", ids)
    assert_empty library.references.of_study(study_id)
    assert_empty many("restore", ids)
    other = new_study(title: "Other")

    assert_empty many("move", ids, to: other[:id])
    assert_equal(ids, library.references.of_study(other[:id]).map { |row| row[:id] })
  end

  def test_one_that_can_not_be_done_is_told_and_leaves_the_others
    left = many("core", [@id, 999])

    assert_equal([999], left.map { |row| row[:id] })
    assert_match(/no such reference/, left.first[:why])
    assert_equal "core", library.references.find(@id)[:standing]
    send_json(:post, "/api/studies/#{study_id}/many", action: "move", ids: [@id])

    assert_problem 422, "invalid", /which study/
    foreign = analysed_reference(new_study(title: "Foreign"))

    assert_match(/not in this study/, many("delete", [foreign[:id]]).first[:why])
    assert_equal foreign[:id], library.references.find(foreign[:id])[:id]
  end

  def test_all_open_readings_are_confirmed_as_one_change
    many("confirm", [@id])

    assert(library.readings.current(@id).values.select { |row| row[:value] }.all? { |row| row[:state] == "confirmed" })
    library.journal.undo(@id)

    assert(library.readings.current(@id).values.none? { |row| row[:state] == "confirmed" })
  end

  def test_analysed_again_a_song_is_queued_once
    2.times { assert_empty many("analyse", [@id]) }

    assert_equal 1, library.db[:analyses].where(state: "queued").count
  end

  def test_a_study_in_the_list_tells_its_forms_and_what_is_next
    card = get_json("/api/studies")[:studies].first

    assert_equal Fixture.analysis.fetch(:sections).map { |section| section.values_at(:letter, :bars) }, card[:forms].first[:sections]
    assert_equal "Make a checklist", card[:next][:words]
    list = send_json(:post, "/api/studies/#{study_id}/checklists", from: "reference", reference_id: @id)[:checklist]
    following = get_json("/api/studies")[:studies].first[:next]

    assert_equal "#{list[:items].first[:number]} #{list[:items].first[:title]}", following[:words]
    list[:items].each { |item| library.items.update(item[:id], { state: "done" }) }

    assert_equal "Drop a bounce", get_json("/api/studies")[:studies].first[:next][:words]
  end

  def test_what_is_next_in_an_empty_study_is_a_song
    new_study(title: "Empty")

    assert_equal "Drop a reference", get_json("/api/studies")[:studies].first[:next][:words]
  end

  def test_the_example_can_be_read_at_once_and_its_waveform_seen
    study = send_json(:post, "/api/studies/example")[:study]
    rows = get_json("/api/studies/#{study[:id]}")[:references]

    assert_equal 2, rows.size
    assert(rows.all? { |row| row[:summary] && row[:analysis][:state] == "done" })
    get("/api/references/#{rows.first[:id]}/peaks", {}, "HTTP_HOST" => "127.0.0.1")

    assert_equal 200, last_response.status
    assert_in_delta rows.first[:summary][:duration], last_response.body.bytesize / 200.0, 2.0
    assert_equal "none", (rows.first[:summary][:moves] || "none")
  end

  def test_what_ships_of_the_example_is_what_this_engine_says
    path = Work::Example.files.first
    shipped = JSON.parse(Work::Example.analysis(path))
    heard = Ethoscope::Analysis.of(Ethoscope::Audio::Decoder.new(path).decode).to_h

    assert_equal JSON.parse(JSON.generate(heard)).slice("tempo", "meter", "key", "sections"), shipped.slice("tempo", "meter", "key", "sections")
  end

  def test_a_waveform_that_was_not_drawn_yet_is_no_fault
    get("#{@path}/peaks", {}, "HTTP_HOST" => "127.0.0.1")

    assert_equal [204, ""], [last_response.status, last_response.body]
  end

  def test_an_alternative_is_taken_with_its_meter_in_one_change
    send_json(:post, "#{@path}/count", action: "count", bpm: 66.67, meter: "3/4")

    assert_equal 201, last_response.status
    assert_equal([66.67, "3/4"], library.readings.current(@id).then { |now| [now["tempo"][:value][:bpm], now["meter"][:value][:name]] })
    assert_equal 1, library.journal.state(@id)[:edits].size
    library.journal.undo(@id)

    assert_equal(%w[measured measured], library.readings.current(@id).values_at("tempo", "meter").map { |row| row[:source] })
  end

  def test_a_mark_says_where_it_comes_from
    send_json(:post, "#{@path}/marks", type: "idea", text: "organ", first_bar: 1, last_bar: 2, source: "told")

    assert_equal "told", library.readings.of_aspect(@id, "mark").first[:source]
  end
end
