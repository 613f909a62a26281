# frozen_string_literal: true

require_relative "../test_helper"
require "csv"
require "midilib"
require "stringio"

class ReferencesApiTest < Ethoscope::TestCase
  include AnalysedSong

  def test_a_reference_comes_with_its_analysis_and_readings
    page = get_json(@path)

    assert_equal 16, page[:analysis][:bars].size
    assert_equal 7, page[:readings].size
    assert_equal page[:readings].map { |reading| reading[:id] }.sort, page[:current].values.sort
  end

  def test_the_sound_is_served_with_byte_ranges
    get("#{@path}/audio", {}, "HTTP_HOST" => "127.0.0.1", "HTTP_RANGE" => "bytes=0-3")

    assert_equal 206, last_response.status
    assert_equal "RIFF", last_response.body
    assert_equal "audio/wav", last_response.media_type
    assert_match(%r{\Abytes 0-3/\d+\z}, last_response["content-range"])
  end

  def test_a_reading_is_confirmed_refuted_and_opened_again
    id = get_json(@path)[:current][:tempo]

    %w[confirmed refuted open].each { |state| assert_equal state, send_json(:patch, "/api/readings/#{id}", { state: })[:reading][:state] }
    send_json(:patch, "/api/readings/#{id}", { state: "corrected" })

    assert_problem 422, "invalid"
  end

  def test_a_correction_supersedes_and_is_in_force
    id = get_json(@path)[:current][:tempo]
    reading = send_json(:post, "/api/readings/#{id}/corrections", { value: { bpm: "50.0" }, source: "told", note: "by the drummer" })[:reading]

    assert_equal ["50.00 BPM", "told", id], reading.values_at(:statement, :source, :supersedes_id)
    assert_equal reading[:id], get_json(@path)[:current][:tempo]
    assert_in_delta 50.0, get_json("/api/studies/#{@reference[:study_id]}")[:references].first[:summary][:bpm]
  end

  def test_a_correction_that_makes_no_sense_changes_nothing
    id = get_json(@path)[:current][:tempo]
    send_json(:post, "/api/readings/#{id}/corrections", { value: { bpm: "fast" } })

    assert_problem 422, "invalid"
    assert_equal id, get_json(@path)[:current][:tempo]
  end

  def test_a_layer_is_added_painted_and_removed
    layer = send_json(:post, "#{@path}/layers", { name: " melodica " })[:reading]
    painted = send_json(:post, "/api/readings/#{layer[:id]}/cells", { first_bar: 5, last_bar: 8, level: 3 })[:reading]

    assert_equal "melodica", layer[:statement]
    assert_equal 1, painted[:value][:spans].size
    assert_equal ([0] * 4) + ([3] * 4) + ([0] * 8), get_json(@path)[:analysis][:heard_layers].first[:levels]
    send_json(:delete, "/api/readings/#{layer[:id]}")

    assert_equal(7, get_json(@path)[:readings].size)
  end

  def test_paint_stays_within_the_song
    layer = send_json(:post, "#{@path}/layers", { name: "echo" })[:reading]
    [[0, 4, 1], [5, 4, 1], [1, 17, 1], [1, 2, 9]].each do |first_bar, last_bar, level|
      send_json(:post, "/api/readings/#{layer[:id]}/cells", { first_bar:, last_bar:, level: })

      assert_problem 422, "invalid"
    end
  end

  def test_what_was_measured_can_be_neither_painted_nor_removed
    id = get_json(@path)[:current][:key]
    send_json(:post, "/api/readings/#{id}/cells", { first_bar: 1, last_bar: 2, level: 1 })

    assert_problem 422, "invalid"
    send_json(:delete, "/api/readings/#{id}")

    assert_problem 422, "invalid", /own notes/
    assert_equal 7, get_json(@path)[:readings].size
  end

  def test_a_technique_is_noted_with_its_bars
    reading = send_json(:post, "#{@path}/techniques", { name: "snare thrown into echo", first_bar: "7", last_bar: "8", note: "dotted" })[:reading]

    assert_equal ["technique", 7, 8, "heard", "dotted"], reading.values_at(:aspect, :first_bar, :last_bar, :source, :note)
    send_json(:post, "#{@path}/techniques", { name: "nowhere", first_bar: 30, last_bar: 31 })

    assert_problem 422, "invalid", /1 to 16/
  end

  def test_what_can_be_taken_away
    get("#{@path}/song.mid", {}, "HTTP_HOST" => "127.0.0.1")
    sequence = MIDI::Sequence.new.tap { |midi| midi.read(StringIO.new(last_response.body)) }

    assert_equal %w[Chords Bass], sequence.tracks.drop(1).map(&:name).first(2)
    assert_match(/attachment; filename="fixture\.mid"/, last_response["content-disposition"])
    get("#{@path}/sections.csv", {}, "HTTP_HOST" => "127.0.0.1")

    assert_operator CSV.parse(last_response.body).size, :>=, 2
    assert_equal 16, get_json("#{@path}/analysis.json")[:bars].size
  end

  def test_an_analysis_can_be_run_again
    assert_equal "queued", send_json(:post, "#{@path}/analyses")[:analysis][:state]
    assert_equal 202, last_response.status
    assert_equal 16, get_json(@path)[:analysis][:bars].size
  end

  def test_before_the_analysis_is_done_there_is_nothing_to_take_away
    fresh = upload(new_study[:id], File.binread(Fixture.wav).tap { |bytes| bytes.setbyte(5000, 1) }, "other.wav")[:reference]
    get_json("/api/references/#{fresh[:id]}/song.mid")

    assert_problem 409, "not_analysed"
    assert_nil get_json("/api/references/#{fresh[:id]}")[:analysis]
  end

  def test_a_reference_is_renamed_and_removed
    assert_equal "Other", send_json(:patch, @path, { title: "Other" })[:reference][:title]
    send_json(:delete, @path)
    get_json(@path)

    assert_problem 404, "missing"
  end
end
