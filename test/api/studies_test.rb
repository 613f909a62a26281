# frozen_string_literal: true

require_relative "../test_helper"

class StudiesApiTest < Ethoscope::TestCase
  include Application

  def test_a_study_is_made_read_changed_and_removed
    study = new_study(title: "Low Water", target_bpm: "73.5", target_tonic: "G", target_mode: "minor", scope_bar: 24)

    assert_equal 201, last_response.status
    assert_equal [73.5, "G", 24], study.values_at(:target_bpm, :target_tonic, :scope_bar)
    assert_equal "High Water", send_json(:patch, "/api/studies/#{study[:id]}", { title: "High Water" })[:study][:title]
    assert_equal(["High Water"], get_json("/api/studies")[:studies].map { |row| row[:title] })
    send_json(:delete, "/api/studies/#{study[:id]}")
    get_json("/api/studies/#{study[:id]}")

    assert_problem 404, "missing", /deleted.*restored/
    send_json(:delete, "/api/studies/#{study[:id]}?for_good=true")
    get_json("/api/studies/#{study[:id]}")

    assert_problem 404, "missing", /no such study/
  end

  def test_a_new_data_directory_has_no_study
    assert_empty get_json("/api/studies")[:studies]
  end

  def test_bad_fields_are_named_with_what_is_wrong
    { { title: "" } => "title", { aim: "fame" } => "aim", { target_bpm: "4" } => "target_bpm", { target_tonic: "H" } => "target_tonic",
      { title: "x" * 121 } => "title", { scope_bar: 0 } => "scope_bar" }.each do |fields, field|
      new_study(**fields)

      assert_problem 422, "invalid"
      assert_equal field, answer[:error][:field]
    end
    assert_empty get_json("/api/studies")[:studies]
  end

  def test_what_is_no_json_object_is_refused
    ["{", "[1]", "words"].each do |body|
      post("/api/studies", body, "CONTENT_TYPE" => "application/json", "HTTP_HOST" => "127.0.0.1")

      assert_problem 400, "bad_json"
    end
    new_study(title: "nothing\u0000more")

    assert_problem 422, "invalid", /null/
    post("/api/studies", %({"title": "#{"x" * 300_000}"}), "CONTENT_TYPE" => "application/json", "HTTP_HOST" => "127.0.0.1")

    assert_problem 413, "too_large"
  end

  def test_references_are_listed_with_their_marks_and_summary
    reference = analysed_reference
    row = get_json("/api/studies/#{reference[:study_id]}")[:references].first

    assert_equal "A minor", row[:summary][:key]
    assert_equal "measured", row[:marks][:tempo]
    assert_equal "done", row[:analysis][:state]
  end

  def test_a_profile_needs_an_analysis
    study = new_study
    get_json("/api/studies/#{study[:id]}/profile")

    assert_problem 409, "nothing_analysed", /Add one/
    analysed_reference(study)

    assert_equal 16, get_json("/api/studies/#{study[:id]}/profile")[:profile][:songs].first[:bars]
  end

  def test_a_recording_that_was_analysed_before_is_ready_at_once_in_another_study
    analysed_reference
    other = new_study
    upload(other[:id], File.binread(Fixture.wav), "again.wav")
    row = get_json("/api/studies/#{other[:id]}")[:references].first

    assert_equal "done", row[:analysis][:state]
    assert_equal 16, row[:summary][:bars]
  end

  def test_progress_is_told_again_only_when_something_has_happened
    reference = analysed_reference
    path = "/api/studies/#{reference[:study_id]}/progress"
    first = get_json(path)

    assert_equal([["analysis", reference[:id], "done"]], first[:runs].map { |run| run.values_at(:kind, :reference_id, :state) })
    assert_equal({ edition: first[:edition] }, get_json("#{path}?seen=#{first[:edition]}"))
    bulletin.publish

    assert_equal first[:edition] + 1, get_json("#{path}?seen=#{first[:edition]}")[:edition]
    assert_includes answer.keys, :runs
  end

  def test_the_libraries_of_techniques_and_schools
    assert_equal(%w[chords drums sounds arrangement appearance], get_json("/api/schools")[:schools].map { |school| school[:id] })
    assert(get_json("/api/techniques")[:techniques].all? { |entry| !entry[:summary].empty? && entry[:steps].size >= 3 })
  end
end
