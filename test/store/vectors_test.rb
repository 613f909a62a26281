# frozen_string_literal: true

require_relative "../test_helper"

# What is measured of a song is kept when it is measured or said, and no page works it out.
class VectorsTest < Ethoscope::TestCase
  include AnalysedSong

  def reference = library.references.find(@id)

  def study_id = @reference[:study_id]

  def stamp = library.vectors.stamps([reference])[@id]

  def kept = library.db[:vectors].where(reference_id: @id).first

  # Fails when anything is read off a song meanwhile.
  def without_reading(&)
    stand_in = ->(*) { flunk "a page worked out what is measured" }
    Ethoscope::Measures::Vector.stub(:of, stand_in, &)
  end

  def note_mark
    library.journal.record(@id, "Mark") do |readings|
      readings.note(@id, { aspect: "mark", value: { type: "idea", text: "a bell" }, statement: "a bell", source: "heard", starts_at: 2.0, ends_at: 4.0 })
    end
  end

  def test_it_is_kept_with_the_analysis
    vector = library.analyses.vector(library.analysis_id(reference))

    assert_in_delta 100.0, vector.bpm, 0.1
    assert_equal library.song(reference).vector, vector
  end

  def test_pages_of_a_study_read_what_is_kept
    library.song(reference)
    without_reading do
      assert_equal 16, get_json("/api/studies/#{study_id}")[:references].first[:summary][:bars]
      assert_equal 1, get_json("/api/studies/#{study_id}/profile")[:profile][:songs].size
      assert get_json(@path)[:analysis]
    end
  end

  def test_what_is_said_is_measured_once_the_song_was_left_alone
    send_json(:post, "#{@path}/marks", { type: "idea", text: "a bell", first_bar: 2, last_bar: 3 })
    library.measure_waiting

    refute_equal stamp, kept&.fetch(:stamp)
    library.measure_waiting(quiet: 0)

    without_reading do
      assert_equal(["a bell"], get_json("/api/studies/#{study_id}/profile")[:profile][:marks].map { |mark| mark[:text] })
    end
  end

  def test_a_correction_is_told_by_the_person_before_it_is_worked_in
    current = get_json(@path)[:current]
    send_json(:post, "/api/readings/#{current[:tempo]}/corrections", { value: { bpm: 50 } })
    told = library.song(reference).vector.of("time.tempo").first

    assert_equal [{ bpm: 50.0 }, "person"], [told.value, told.source]
  end

  def test_whatever_it_rests_on_changes_its_stamp
    changes = [-> {}, -> { note_mark }, -> { finish(reference[:recording_id]) },
               -> { library.db[:scores].insert(reference_id: @id, sha256: "x", name: "a.mid", parts: "[]", created_at: "now") }]
    stamps = changes.map { |change| [change.call, stamp].last }

    assert_equal stamps.uniq, stamps
  end

  def test_one_that_an_older_ethoscope_wrote_is_read_anew
    library.song(reference)
    library.db[:vectors].update(stamp: "old", whole: "{}")
    fresh = Store::Library.new(library.home)

    assert_in_delta 100.0, fresh.song(reference).bpm, 0.1
    assert_equal stamp, kept[:stamp]
    fresh.db.disconnect
  end

  def test_without_an_analysis_there_is_none
    other = upload(study_id, File.binread(Fixture.wav).tap { |bytes| bytes.setbyte(2000, 9) }, "other.wav")[:reference]

    assert_nil library.vectors.stamps([other])[other[:id]]
    assert_nil library.song(library.references.find(other[:id]))
  end

  def test_sections_and_layers_are_parsed_only_when_they_are_asked_for
    library.song(reference)
    library.db[:vectors].update(places: "broken")
    song = Store::Library.new(library.home).song(reference)

    assert_equal "4/4", song.meter
    assert_raises(JSON::ParserError) { song.sections }
  end

  def test_a_profile_outlives_the_server_until_something_changes
    path = "/api/studies/#{study_id}/profile"
    first = get_json(path)
    stored = library.db[:profiles].where(study_id:).get(:body)

    assert_equal first, JSON.parse(stored, symbolize_names: true)
    library.db[:profiles].update(body: stored.sub("fixture", "from the shelf"))
    fresh = Api::Server.app(Store::Library.new(library.home), bulletin)

    assert_includes Rack::MockRequest.new(fresh).get(path, "HTTP_HOST" => "127.0.0.1").body, "from the shelf"
    note_mark

    refute_includes get_json(path).to_s, "from the shelf"
  end

  def test_whoever_says_something_does_not_wait_for_it_and_whoever_asks_gets_it
    without_reading { send_json(:post, "#{@path}/marks", { type: "idea", text: "a bell", first_bar: 2, last_bar: 3 }) }

    assert_equal 201, last_response.status
    assert_equal(["a bell"], library.song(reference).vector.of("techniques.mark").map { |mark| mark.value[:text] })
  end

  def test_a_song_is_handed_out_to_be_measured_once
    waiting = Store::Unmeasured.new
    [5, 5, 7].each { |id| waiting.note(id) }

    assert_empty waiting.take
    assert_equal [5, 7], waiting.take(quiet: 0)
    assert_empty waiting.take(quiet: 0)
  end

  def test_it_goes_with_its_reference
    library.song(reference)

    refute_nil kept
    library.remove { library.references.delete(@id) }

    assert_nil kept
  end

  def test_a_scope_is_read_off_its_bars_alone
    song = library.song(reference, scope: 4)

    assert_equal [4, 1], [song.bars, song.sections.size]
  end

  def test_a_study_of_many_asks_the_database_as_often_as_one_of_few
    few = Array.new(2) { queries { get_json("/api/studies/#{study_id}") } }.last
    12.times { |i| add_song(i) }
    get_json("/api/studies/#{study_id}")

    assert_equal(few, queries { get_json("/api/studies/#{study_id}") })
    assert_equal(13, answer[:references].count { |row| row[:summary] })
  end

  private

  def add_song(number)
    recording = library.recordings.keep(StringIO.new("song #{number}")) { { format: "wav", duration: 39.0 } }
    library.references.create(study_id:, recording:, title: "Song #{number}", artist: nil, original_name: "song.wav")
    finish(recording[:id])
  end

  def queries
    log = StringIO.new
    logger = Logger.new(log)
    library.db.loggers << logger
    yield
    log.string.scan("SELECT").size
  ensure
    library.db.loggers.delete(logger)
  end
end
