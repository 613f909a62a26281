# frozen_string_literal: true

require_relative "../test_helper"
require "minitest/mock"

# Requests that no page of the application sends: refused in its own JSON, with what is wrong and what to do.
class TrustTest < Ethoscope::TestCase
  include AnalysedSong

  HOST = { "HTTP_HOST" => "127.0.0.1" }.freeze

  def raw(verb, path, body, headers)
    public_send(verb, path, body, HOST.merge(headers))
  end

  def test_bodies_of_an_unwelcome_type_are_refused_as_data
    [{ "CONTENT_TYPE" => nil }, { "CONTENT_TYPE" => "" }, { "CONTENT_TYPE" => "multipart/form-data; boundary=x" }, { "CONTENT_TYPE" => "text/plain" },
     { "CONTENT_TYPE" => "application/x-www-form-urlencoded" }].each do |headers|
      raw(:post, "/api/studies", "title=x", headers)

      assert_problem 415, "form", /Send JSON/
      assert_equal "application/json", last_response.media_type
    end
  end

  def test_odd_parameters_are_refused_as_data
    ["chord?bar[]=1&symbol=C", "chord?symbol[a]=1", "chord?bar=x&symbol=C", "scale?tonic=H&mode=minor", "scale?tonic[]=C", "scale"].each do |query|
      get_json("#{@path}/#{query}")

      assert_equal 422, last_response.status, query
      assert_match(/\A[A-Z].*\.\z/, answer.dig(:error, :message), query)
    end
    env = Rack::MockRequest.env_for("#{@path}/chord", "HTTP_HOST" => "127.0.0.1").merge("QUERY_STRING" => "symbol=%ZZ")
    status, headers, = app.call(env)

    assert_equal [400, "application/json"], [status, headers["content-type"]]
  end

  def test_ids_are_numbers
    %w[1abc 01 -1 1.0 0x1 99999999999999999999999 %20].each do |id|
      get_json("/api/references/#{id}")

      assert_problem 404, "missing"
    end
  end

  def test_a_revision_that_is_no_number_is_refused
    before = library.readings.of_reference(@reference[:id]).size
    raw(:post, "#{@path}/marks", JSON.generate(type: "idea", text: "x", first_bar: 1, last_bar: 1), { "CONTENT_TYPE" => "application/json", "HTTP_X_SHEET_REVISION" => "abc" })

    assert_problem 400, "bad_revision", /whole number/
    assert_equal before, library.readings.of_reference(@reference[:id]).size
  end

  def test_a_form_of_another_site_is_refused_even_as_a_navigation_and_without_an_origin
    foreign = { "HTTP_SEC_FETCH_SITE" => "cross-site", "HTTP_SEC_FETCH_MODE" => "navigate" }
    raw(:post, "/api/studies", "{}", foreign.merge("CONTENT_TYPE" => "application/json"))

    assert_problem 403, "foreign_origin"
    raw(:get, "/api/studies", {}, foreign)

    assert_equal 200, last_response.status
  end

  def test_what_declares_to_be_too_large_is_refused_unread
    unread = Object.new
    def unread.read(*) = raise("it was read")
    { "application/json" => 300 << 10, "application/octet-stream" => 500 << 20 }.each do |type, length|
      env = Rack::MockRequest.env_for("/api/studies", method: "POST", "CONTENT_TYPE" => type, "CONTENT_LENGTH" => length.to_s, "HTTP_HOST" => "127.0.0.1")
      status, _, body = app.call(env.merge("rack.input" => unread))

      assert_equal [413, "too_large"], [status, JSON.parse(body.first).dig("error", "code")]
    end
  end

  def test_null_characters_are_refused_and_their_six_signs_are_text
    raw(:post, "/api/studies", '{"title":"a\u0000b","aim":"study"}', { "CONTENT_TYPE" => "application/json" })

    assert_problem 422, "invalid", /null character/
    raw(:post, "/api/studies", '{"title":"a\\\\u0000b","aim":"study"}', { "CONTENT_TYPE" => "application/json" })

    assert_equal 201, last_response.status
    assert_equal 'a\u0000b', answer.dig(:study, :title)
  end

  def test_names_that_cannot_be_seen_are_refused_and_turning_signs_are_taken_out
    ["   ", "\u202E", "\u200B\u200B", "\uFEFF \u2066"].each do |title|
      send_json(:post, "/api/studies", { title:, aim: "study" })

      assert_problem 422, "invalid", /Title needs something that can be seen/
    end
    assert_equal "songgnp.exe", send_json(:post, "/api/studies", { title: "song\u202Egnp.exe", aim: "study" }).dig(:study, :title)
    bytes = File.binread(Fixture.wav).tap { |sound| sound.setbyte(900, 3) }

    assert_equal "Untitled", upload(@reference[:study_id], bytes, "\u202E\u200B.wav").dig(:reference, :title)
  end

  def test_several_ranges_at_once_are_answered_with_the_whole
    raw(:get, "#{@path}/audio", {}, { "HTTP_RANGE" => "bytes=0-3,10-20" })

    assert_equal [200, "audio/wav", File.size(Fixture.wav)], [last_response.status, last_response.media_type, last_response.body.bytesize]
    raw(:get, "#{@path}/audio", {}, { "HTTP_RANGE" => "bytes=0-3" })

    assert_equal [206, "audio/wav"], [last_response.status, last_response.media_type]
  end

  def test_a_nested_field_is_named_by_its_path_with_the_remedy
    layer = send_json(:post, "#{@path}/layers", { name: "echo" })[:reading]
    { { card: { candidates: [{ text: "a" }, { text: "b", sure: 7 }] } } => ["Card, candidates, second: how sure must be between 0 and 1.", "card.candidates.1.sure"],
      { card: { have: "maybe" } } => ["Card: have, need or substitute must be one of: have, need, substitute.", "card.have"],
      { card: { chain: [{ setting: "x" }] } } => ["Card, chain, first: type is missing.", "card.chain.0.type"],
      { name: "n" * 61 } => ["Name is too long; 60 are the most.", "name"] }.each do |body, (sentence, field)|
      send_json(:patch, "/api/readings/#{layer[:id]}/card", body)

      assert_problem 422, "invalid"
      assert_equal [sentence, field], answer[:error].values_at(:message, :field)
    end
    send_json(:post, "#{@path}/sections", { action: "rename", index: 0, change: { label: "" } })

    assert_equal "Change: label must not be empty.", answer.dig(:error, :message)
    send_json(:post, "#{@path}/chords", { action: "name", bar: 1, symbol: "C", voicing: ["C3", "much too long"] })

    assert_match(/\AVoicing: second/, answer.dig(:error, :message))
  end

  def test_corrections_of_a_wrong_shape_are_not_stored_and_break_nothing
    current = library.readings.current(@reference[:id])
    before = library.readings.of_reference(@reference[:id])
    { "form" => [{ entries: "abc" }, { entries: [1] }, { entries: [{ label: "a", letter: "A", start: nil }] }, { entries: [] }],
      "tempo" => [{ bpm: "fast" }, { bpm: 1e300 }, { bpm: 90, changes: [{}] }, { bpm: 90, changes: [{ at: nil, bpm: 3 }] }, { text: "slow" }],
      "meter" => [{ name: "9/9" }, { name: "4/4", first_downbeat: "soon" }], "key" => [{ tonic: "H", mode: "minor" }, { tonic: "C", mode: "minor", modulations: [1] }],
      "loop" => [{ text: "" }, { degrees: 1 }] }.each do |aspect, values|
      values.each do |value|
        send_json(:post, "/api/readings/#{current[aspect][:id]}/corrections", { value: })

        assert_problem 422, "invalid", /\A[A-Z].*\.\z/
        send_json(:post, "#{@path}/readings", { aspect:, value:, source: "told" })

        assert_problem 422, "invalid"
      end
    end

    assert_equal before, library.readings.of_reference(@reference[:id])
    assert_equal [200, nil], [get_json("/api/studies/#{@reference[:study_id]}") && last_response.status, answer[:references].first[:problem]]
  end

  def test_painted_levels_are_checked_where_they_are_stored
    layer = library.readings.note(@reference[:id], aspect: "layer", value: { name: "echo" }, statement: "echo", source: "heard")

    assert_raises(Ethoscope::Errors::Unfit) { library.readings.revise(layer[:id], value: { name: "echo", spans: [[0.0, 2.0, 97]] }) }
    assert_raises(Ethoscope::Errors::Unfit) { library.readings.revise(layer[:id], value: { name: "echo", spans: [[3.0, 2.0, 1]] }) }
    assert_equal({ name: "echo" }, library.readings.find(layer[:id])[:value])
  end

  def test_a_fault_of_the_core_is_told_as_one
    Ethoscope::Sheet::ScaleUse.stub(:new, ->(*) { raise ArgumentError, "shape mismatch" }) do
      _, logged = capture_io { get_json("#{@path}/scale?tonic=C&mode=minor") }

      assert_problem 500, "unexpected", /Something went wrong inside/
      assert_match(/ArgumentError: shape mismatch/, logged)
    end
  end

  def test_a_database_that_is_held_is_told_so
    library.db.singleton_class.define_method(:transaction) { |*| raise Sequel::PoolTimeout, "held" }
    send_json(:post, "#{@path}/marks", { type: "idea", text: "x", first_bar: 1, last_bar: 1 })

    assert_problem 503, "busy", /try again/
    assert_equal "2", last_response["retry-after"]
  end

  def test_marks_techniques_and_refutations_of_unknown_kinds_are_refused
    place = { first_bar: 1, last_bar: 2 }
    { "sightings" => { kind: "no_such", state: "refuted" }, "techniques" => { name: "x", kind: "no_such" },
      "marks" => { type: "idea", text: "x", layer_id: 999 } }.each do |what, body|
      send_json(:post, "#{@path}/#{what}", body.merge(place))

      assert_equal 422, last_response.status, what
      assert_match(/There is no/, answer.dig(:error, :message))
    end
    send_json(:post, "#{@path}/marks", { type: "rumour", text: "x" }.merge(place))

    assert_problem 422, "invalid", /Type must be one of/
  end

  def test_own_techniques_of_one_beginning_or_without_latin_letters_stand_beside_each_other
    names = ["ドラム", "Бас", "#{"a" * 45} one", "#{"a" * 45} two", "Ünder"]
    kinds = names.map { |name| send_json(:post, "/api/studies/#{@reference[:study_id]}/techniques", { name: }).dig(:technique, :kind) }

    assert_equal kinds.uniq, kinds
    listed = get_json("/api/studies/#{@reference[:study_id]}/techniques")[:techniques].map { |entry| entry[:name] }

    assert_empty names - listed
    send_json(:post, "/api/studies/#{@reference[:study_id]}/techniques", { name: "Бас" })

    assert_problem 409, "duplicate", /already/
  end
end
