# frozen_string_literal: true

require_relative "../test_helper"

# Edits of the sheet through the API, one request each.
class WorkbenchApiTest < Ethoscope::TestCase
  include AnalysedSong

  def sheet = get_json(@path)

  def post_ok(path, body = {})
    result = send_json(:post, path, body)

    assert_includes [200, 201, 202], last_response.status, last_response.body
    result
  end

  def test_a_chord_is_written_and_the_sheet_shows_it
    post_ok("#{@path}/chords", { action: "name", bar: 2, symbol: "Dm7/C" })
    chord = sheet[:analysis][:chords].find { |one| one[:bar] == 2 }

    assert_equal ["Dm7/C", "heard", "iv7"], chord.values_at(:symbol, :source, :degree)
    assert_equal "Name chord at bar 2", sheet[:journal][:undo]
  end

  def test_a_chord_over_a_chord_supersedes_it_and_can_be_cleared
    first = post_ok("#{@path}/chords", { action: "name", bar: 2, symbol: "Dm7" })[:reading]
    second = post_ok("#{@path}/chords", { action: "name", bar: 2, symbol: "D7" })[:reading]

    assert_equal first[:id], second[:supersedes_id]
    post_ok("#{@path}/chords", { action: "clear", bar: 2 })

    assert_equal "F", sheet[:analysis][:chords].find { |one| one[:bar] == 2 }[:symbol]
    2.times { post_ok("#{@path}/undo") }

    assert_equal "Dm7", sheet[:analysis][:chords].find { |one| one[:bar] == 2 }[:symbol]
  end

  def test_chords_are_split_merged_repeated_and_decided
    post_ok("#{@path}/chords", { action: "split", bar: 1, beat: 3 })
    post_ok("#{@path}/chords", { action: "merge", bar: 5, beat: 1 })
    post_ok("#{@path}/chords", { action: "repeat", bar: 1, bars: 2, to_bar: 9, last_bar: 12 })
    post_ok("#{@path}/chords", { action: "decide", bar: 2, state: "confirmed" })
    chords = sheet[:analysis][:chords]

    assert_equal([2.0, 2.0], chords.first(2).map { |chord| chord[:beats] })
    assert_equal %w[confirmed measured], chords.find { |chord| chord[:bar] == 2 }.values_at(:state, :source)
    assert_equal(%w[Am Am F Am Am F], chords.select { |chord| chord[:bar].between?(9, 12) }.map { |chord| chord[:symbol] })
  end

  def test_strokes_are_written_taken_back_and_refused
    snare = -> { sheet[:analysis][:lines].find { |line| line[:layer] == "snare" } }
    before = snare.call
    post_ok("#{@path}/lines", { action: "add", layer: "snare", bar: 2, beat: 4.5 })
    reading = post_ok("#{@path}/lines", { action: "move", layer: "snare", bar: 2, beat: 2, velocity: 0.3 })[:reading]

    assert_equal ["Move in snare, bar 2", 3], [sheet[:journal][:undo], snare.call[:edited]]
    post_ok("#{@path}/undo")

    assert_equal 1, snare.call[:edited]
    send_json(:post, "#{@path}/lines", { action: "add", layer: "snare", bar: 2, beat: 4.5 })

    assert_problem 422, "invalid", /already/
    send_json(:delete, "/api/readings/#{reading[:id]}")

    assert_equal before, snare.call
  end

  def test_a_chord_that_can_not_be_read_is_explained
    send_json(:post, "#{@path}/chords", { action: "name", bar: 2, symbol: "Hm" })

    assert_problem 422, "invalid", /H is not used here/
    get_json("#{@path}/chord?symbol=Am7&bar=1")

    assert_equal ["Am7", %w[A C E G]], answer[:chord].values_at(:symbol, :notes)
    get_json("#{@path}/chord?symbol=Qx&bar=1")

    assert_equal [nil, "“Q” is no note; a chord starts with A to G."], answer.values_at(:chord, :problem)
  end

  def test_sections_are_edited_and_each_edit_is_a_correction
    post_ok("#{@path}/sections", { action: "split", index: 0, bar: 3 })
    post_ok("#{@path}/sections", { action: "rename", index: 1, change: { label: "build", letter: "C" } })
    sections = sheet[:analysis][:sections]

    assert_equal([[1, 2], [3, 2]], sections.first(2).map { |section| section.values_at(:first_bar, :bars) })
    assert_equal "build", sections[1][:label]
    assert_equal(3, sheet[:readings].count { |reading| reading[:aspect] == "form" })
    send_json(:post, "#{@path}/sections", { action: "move", index: 0, bar: 3 })

    assert_problem 422, "invalid", /first section starts/
  end

  def test_the_count_of_bars_is_put_right_and_derived_anew
    post_ok("#{@path}/count", { action: "downbeat", beats: 1 })

    assert_equal "queued", sheet[:derivation][:state]
    assert_equal(1, library.db[:analyses].exclude(corrections: nil).count)
    post_ok("#{@path}/undo")

    assert_nil sheet[:derivation]
  end

  def test_a_derivation_that_went_missing_is_asked_for_again
    post_ok("#{@path}/count", { action: "downbeat", beats: 1 })
    library.db[:analyses].exclude(corrections: nil).delete

    assert_equal "queued", sheet[:derivation][:state]
  end

  def test_an_edit_that_lacks_something_says_what
    [["chords", { action: "name", bar: 1 }, /Symbol is missing/], ["chords", { action: "repeat", bar: 1, bars: 2, to_bar: 5 }, /Last bar is missing/],
     ["sections", { action: "move", index: 1 }, /Bar is missing/], ["sections", { action: "rename", index: 1 }, /Change is missing/],
     ["count", { action: "ramp", bar: 5, to_bar: 4, bpm: 90, to: 100 }, /later bar/],
     ["count", { action: "tempo_change", bar: 5 }, /Bpm is missing/]].each do |path, body, message|
      send_json(:post, "#{@path}/#{path}", body)

      assert_problem 422, "invalid", message
    end
  end

  def test_a_layer_gets_a_card
    layer = post_ok("#{@path}/layers", { name: "reed", role: "lead" })[:reading]
    card = { sound: "breathy", have: "substitute", stacked: 2, chain: [{ type: "low-pass", setting: "2 kHz", amount: "12 dB" }],
             candidates: [{ text: "reed organ", source: "credited", sure: 0.7 }] }
    send_json(:patch, "/api/readings/#{layer[:id]}/card", { card: })

    assert_equal card, sheet[:analysis][:heard_layers].first[:card]
    send_json(:patch, "/api/readings/#{layer[:id]}/card", { card: { stacked: 0 } })

    assert_equal 422, last_response.status
  end

  def test_marks_changes_and_sightings_are_noted
    mark = post_ok("#{@path}/marks", { type: "oddity", text: "a tone off", first_bar: 3, last_bar: 3 })[:reading]
    post_ok("#{@path}/changes", { bar: 9, text: "tape stop" })
    post_ok("#{@path}/sightings", { kind: "width_contrast", state: "refuted", first_bar: 4, last_bar: 4 })

    assert_equal "a tone off", sheet[:analysis][:marks].first[:text]
    assert_equal "tape stop", sheet[:analysis][:changes].find { |change| change[:bar] == 9 }[:added].first[:text]
    send_json(:delete, "/api/readings/#{mark[:id]}")

    assert_empty sheet[:analysis][:marks]
    send_json(:post, "#{@path}/changes", { bar: 9 })

    assert_problem 422, "invalid", /what changes/
  end

  def test_taps_become_a_tempo_with_the_nearest_candidate
    tapped = post_ok("#{@path}/taps", { times: Array.new(9) { |i| i * 0.6 } })[:tapped]

    assert_in_delta 100.0, tapped[:bpm]
    assert_in_delta 100.0, tapped[:nearest], 0.2
    send_json(:post, "#{@path}/taps", { times: [1, 2] })

    assert_problem 422, "invalid", /at least 4/
  end

  def test_a_second_source_stands_beside_the_first_until_one_is_confirmed
    told = post_ok("#{@path}/readings", { aspect: "key", value: { tonic: "C", mode: "major" }, source: "told", note: "the drummer", link: "https://example.test" })[:reading]

    assert_equal [:key], sheet[:contradictions].keys
    send_json(:patch, "/api/readings/#{told[:id]}", { state: "confirmed" })

    assert_empty sheet[:contradictions]
    assert_equal "https://example.test", sheet[:readings].find { |reading| reading[:id] == told[:id] }[:link]
  end

  def test_a_change_on_an_old_sheet_is_told_and_can_be_made_on_top
    revision = sheet[:journal][:revision]
    post_ok("#{@path}/marks", { type: "idea", text: "first", first_bar: 1, last_bar: 1 })
    header "X-Sheet-Revision", revision.to_s
    send_json(:post, "#{@path}/marks", { type: "idea", text: "second", first_bar: 1, last_bar: 1 })

    assert_problem 409, "stale", /another window/
    assert_equal ["Mark bar 1"], answer[:error][:labels]
    header "X-Sheet-Revision", answer[:error][:revision].to_s
    post_ok("#{@path}/marks", { type: "idea", text: "second", first_bar: 1, last_bar: 1 })

    assert_equal(%w[first second], sheet[:analysis][:marks].map { |mark| mark[:text] })
  end

  def test_undo_and_redo_answer_with_what_they_did
    post_ok("#{@path}/marks", { type: "idea", text: "echo", first_bar: 1, last_bar: 2 })

    assert_equal "Mark bar 1", post_ok("#{@path}/undo")[:label]
    assert_empty sheet[:analysis][:marks]
    assert_equal "Mark bar 1", post_ok("#{@path}/redo")[:label]
    assert_nil post_ok("#{@path}/redo")[:label]
  end

  def test_profile_and_exports_use_what_was_settled
    post_ok("#{@path}/sections", { action: "rename", index: 0, change: { label: "drop" } })
    get("#{@path}/sections.csv", {}, "HTTP_HOST" => "127.0.0.1")

    assert_match(/drop/, last_response.body)
    post_ok("#{@path}/chords", { action: "name", bar: 1, beats: 64, symbol: "Em" })
    degrees = get_json("/api/studies/#{@reference[:study_id]}/profile")[:profile][:degrees]

    assert_equal ["v"], degrees.map { |row| row[:degree] }.first(1)
  end

  def test_parts_are_separated_in_the_background
    assert_equal "none", get_json("#{@path}/parts")[:separation][:state]
    assert_equal "queued", post_ok("#{@path}/parts")[:separation][:state]
    get_json("#{@path}/parts/struck")

    assert_problem 404, "missing", /not separated yet/
    get_json("#{@path}/parts/passwd")

    assert_problem 404, "missing"
  end
end
