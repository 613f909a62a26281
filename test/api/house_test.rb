# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/analysed_song"

# A house in which everything can be changed, found, taken away and brought back.
class HouseApiTest < Ethoscope::TestCase
  include AnalysedSong

  def setup
    super
    @study_id = @reference[:study_id]
    @study_path = "/api/studies/#{@study_id}"
  end

  def test_settings_are_kept_and_only_known_ones
    assert_equal([File.basename(library.home), "key"], get_json("/api/house")[:house].then { |house| [house[:name], house[:settings][:names]] })
    told = send_json(:patch, "/api/settings", names: "sharps", volume: 20, keys: { m: "q" })[:settings]

    assert_equal ["sharps", 20, { m: "q" }, "C4"], told.values_at(:names, :volume, :keys, :middle_c)
    assert_equal told, Store::Library.new(library.home).settings.all
    send_json(:patch, "/api/settings", names: "german")

    assert_equal 422, last_response.status
  end

  def test_notes_are_named_as_a_person_likes_it
    send_json(:patch, @study_path, target_tonic: "C", target_mode: "minor")
    send_json(:patch, "/api/settings", names: "sharps")
    page = get_json("#{@path}?as=mine")

    assert_equal %w[G# D#], page[:analysis][:chords].map { |chord| chord[:label].split(":").first }.uniq & %w[G# D# Ab Eb]
    assert_equal("D♯ major", Ethoscope::Harmony::Spelling.new(names: "sharps", key: nil).then { |names| "#{names.tonic(Harmony::Key.named("Eb", "major"))} major".tr("#", "♯") })
    send_json(:patch, "/api/settings", names: "flats")

    assert_equal %w[Ab Eb], get_json("#{@path}?as=mine")[:analysis][:chords].map { |chord| chord[:label].split(":").first }.uniq & %w[G# D# Ab Eb]
  end

  def test_a_study_is_thrown_away_brought_back_and_thrown_away_for_good
    send_json(:delete, @study_path)

    assert_empty get_json("/api/studies")[:studies]
    assert_equal([@study_id], get_json("/api/studies")[:thrown_away].map { |row| row[:id] })
    get_json(@study_path)

    assert_equal 404, last_response.status
    send_json(:post, "#{@study_path}/bring-back")

    assert_equal([@reference[:id]], get_json(@study_path)[:references].map { |row| row[:id] })
    send_json(:delete, "#{@study_path}?for_good=true")

    assert_equal([0, 0, 0], %i[studies references recordings].map { |table| library.db[table].count })
  end

  def test_a_reference_is_thrown_away_and_comes_back_by_hand_or_with_its_file
    send_json(:delete, @path)

    assert_equal([[], [@id]], get_json(@study_path).then { |page| [page[:references], page[:thrown_away][:references].map { |row| row[:id] }] })
    send_json(:post, "#{@path}/bring-back")

    assert_equal 1, get_json(@study_path)[:references].size
    send_json(:delete, @path)

    assert_equal @id, upload(@study_id, File.binread(Fixture.wav), "again.wav")[:reference][:id]
  end

  def test_a_checklist_is_thrown_away_and_brought_back
    list = Work::Planning.new(library, library.studies.find(@study_id)).create(from: "reference", reference_id: @id)
    send_json(:delete, "/api/checklists/#{list[:id]}")

    assert_equal([[], [list[:id]]], get_json(@study_path).then { |page| [page[:checklists], page[:thrown_away][:checklists].map { |row| row[:id] }] })
    assert_equal list[:items].size, send_json(:post, "/api/checklists/#{list[:id]}/bring-back")[:checklist][:items].size
  end

  def test_references_change_places_and_studies
    other = analysed_song_beside
    send_json(:post, "/api/references/#{other[:id]}/place", to: 1)

    assert_equal([other[:id], @id], get_json(@study_path)[:references].map { |row| row[:id] })
    elsewhere = new_study(title: "Elsewhere")
    moved = send_json(:post, "/api/references/#{other[:id]}/moves", study_id: elsewhere[:id])[:reference]

    assert_equal [other[:id], elsewhere[:id]], moved.values_at(:id, :study_id)
    copied = send_json(:post, "#{@path}/moves", study_id: elsewhere[:id], copy: true)[:reference]

    refute_equal @id, copied[:id]
    assert_equal([other[:id], copied[:id]], get_json("/api/studies/#{elsewhere[:id]}")[:references].map { |row| row[:id] })
    send_json(:post, "#{@path}/moves", study_id: elsewhere[:id])

    assert_equal 409, last_response.status
  end

  def test_everything_that_has_a_name_is_found
    library.studies.update(@study_id, title: "Low 100% Water")

    assert_equal([["study", "/studies/#{@study_id}"]], found("100% low").map { |hit| hit.values_at(:kind, :path) })
    assert_equal ["song", "/studies/#{@study_id}/references/#{@id}"], found("fixture").first.values_at(:kind, :path)
    assert_equal "technique", found("pedal note").last[:kind]
    assert_equal [[], []], [found("x"), found("%")]
  end

  def test_everything_that_was_written_is_found_until_it_is_thrown_away
    mark = { aspect: "mark", value: { type: "idea", text: "a bell" }, statement: "a bell, like rain", source: "heard", starts_at: 0.0, ends_at: 2.0 }
    library.journal.record(@id, "Note") { |taped| taped.note(@id, mark) }
    item = Work::Planning.new(library, library.studies.find(@study_id)).create(from: "reference", reference_id: @id)[:items].first
    library.items.update(item[:id], { note: "ask Ada" })

    assert_equal "mark", found("bell rain").first[:kind]
    assert_equal "/studies/#{@study_id}/checklists/#{item[:checklist_id]}?item=#{item[:id]}", found("ada ASK").first[:path]
    library.studies.take_away(@study_id)

    assert_empty found("bell rain")
  end

  def test_a_study_goes_out_and_comes_in_as_a_file
    get("#{@study_path}/study.zip", {}, "HTTP_HOST" => "127.0.0.1")
    bytes = last_response.body

    assert_equal "application/zip", last_response.content_type
    assert_equal "Study (2)", send_bytes("/api/studies/file", bytes, "study.zip")[:study][:title]
    assert_equal "This is no study that was exported from Ethoscope, or it is damaged.", send_bytes("/api/studies/file", "nothing", "x.zip")[:error][:message]
    assert_empty Dir.children(library.home).grep(/handed|received/)
  end

  def test_all_of_a_study_is_taken_away_in_every_format
    Work::Planning.new(library, library.studies.find(@study_id)).create(from: "reference", reference_id: @id)
    get("#{@study_path}/all.zip", {}, "HTTP_HOST" => "127.0.0.1")
    names = Zip::InputStream.open(StringIO.new(last_response.body)) { |zip| Array.new(40) { zip.get_next_entry&.name }.compact }

    assert_includes names, "01 fixture/lead-sheet.musicxml"
    assert_includes names, "logbook.csv"
    assert_equal 1, names.grep(%r{\Achecklists/}).size
  end

  private

  def found(words) = get_json("/api/search?words=#{URI.encode_www_form_component(words)}")[:found]

  def analysed_song_beside
    recording = Band.new(bpm: 90).bars(4, chords: %w[C G]).recording
    path = File.join(folder, "other.wav")
    SoundFile.write(recording, path)
    upload(@study_id, File.binread(path), "other.wav")[:reference]
  end
end
