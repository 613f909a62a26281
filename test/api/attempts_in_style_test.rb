# frozen_string_literal: true

require_relative "../test_helper"

# Attempts that are held against the style of several songs.
class AttemptsInStyleTest < Ethoscope::TestCase
  include DroppedAttempts

  # Two more songs, and a checklist from all three.
  def style
    [["two", 118.0], ["three", 122.0]].each_with_index do |(name, bpm), i|
      reference = upload(@study[:id], sound(50 + i), "#{name}.wav")[:reference]
      finish(reference[:recording_id], DrawnSong.new(bpm:, seed: 60 + i, form: [["bridge", 12], ["chorus", 12]]).analysis)
    end
    send_json(:post, "/api/studies/#{@study[:id]}/checklists", { from: "profile" })[:checklist]
  end

  def results(list) = list[:items].map { |one| one.slice(:id, :result) }

  def test_against_no_one_song_it_is_held_against_the_style_of_all
    list = style
    made = attempt(DrawnSong.new(seed: 2, bpm: 140.0), style: true)
    told = page(made)
    tempo = told[:style][:lines].find { |line| line[:id] == "time.tempo" }

    assert_equal [nil, list[:id]], made.values_at(:against_id, :checklist_id)
    assert_equal [3, "outside", 18.0], [told[:style][:songs], *tempo.values_at(:standing, :apart)]
    assert_nil told[:comparison]
    assert_equal([[@reference[:id], "reference", [1, 36]]], told[:style][:near].map { |run| run.values_at(:reference_id, :title, :attempt) })
    assert_equal "missing", told[:verdicts][list[:items].find { |one| one[:title] == "Tempo" }[:id].to_s.to_sym][:closeness]
    assert_operator rows.first[:counts][:missing], :>=, 1
  end

  def test_with_what_it_is_held_against_goes_the_checklist_and_its_state
    list = style
    made = attempt(DrawnSong.new(seed: 2), against_id: @reference[:id])
    turned = send_json(:patch, "/api/attempts/#{made[:id]}", { against_id: nil })[:attempt]
    library.items.update(list[:items].first[:id], { result: "exact" })

    assert_equal [@list[:id], list[:id]], [made[:checklist_id], turned[:checklist_id]]
    assert_equal list[:id], send_json(:post, "/api/attempts/#{made[:id]}/list")[:checklist][:id]
    assert_equal results(list), results(library.checklists.find(list[:id]))
    assert_equal @list[:id], send_json(:patch, "/api/attempts/#{made[:id]}", { against_id: @reference[:id] })[:attempt][:checklist_id]
  end

  def test_how_it_stands_to_a_style_is_taken_away_as_markdown
    style
    made = attempt(DrawnSong.new(seed: 2, bpm: 140.0), style: true)
    get("/api/attempts/#{made[:id]}/comparison.md", {}, "HTTP_HOST" => "127.0.0.1")

    assert_match(/\A# Attempt 1 in the style of 3 songs\n\n## Too near to one song\n\n- Bars 1 to 36/, last_response.body.force_encoding("UTF-8"))
    assert_match(/^- Between 118.0 and 122.0 BPM \(3 of 3\): At 140.0 BPM, 18 BPM off$/, last_response.body)
  end
end
