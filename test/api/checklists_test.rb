# frozen_string_literal: true

require_relative "../test_helper"

class ChecklistsApiTest < Ethoscope::TestCase
  include AnalysedSong

  def setup
    super
    @study = "/api/studies/#{@reference[:study_id]}"
  end

  def test_a_checklist_comes_from_a_reference_with_its_readings
    items = make(from: "reference", reference_id: @reference[:id])[:items]

    assert_equal "1.1", items.first[:number]
    assert_equal get_json("/api/references/#{@reference[:id]}")[:current][:tempo], items.find { |item| item[:from] == "tempo" }[:reading_id]
    assert(items.all? { |item| item[:state] == "open" })
  end

  def test_a_checklist_comes_from_the_profile
    checklist = make(from: "profile")

    assert_equal "In the style of 1 song", checklist[:title]
    assert(checklist[:items].all? { |item| item[:from] == "profile" })
  end

  def test_the_scope_of_the_study_ends_the_plan
    send_json(:patch, @study, { scope_bar: 8 })
    items = make(from: "reference", reference_id: @reference[:id])[:items]

    assert_match(/\A8 bars/, items.first[:target])
    assert_equal "4 4", items.find { |item| item[:title] == "Section lengths" }[:target]
  end

  def test_the_target_of_the_study_is_that_of_the_items
    send_json(:patch, @study, { target_bpm: 84, target_tonic: "D", target_mode: "minor" })
    items = make(from: "reference", reference_id: @reference[:id])[:items]

    assert_equal "84.00 BPM", items.find { |item| item[:from] == "tempo" }[:target]
    assert_match(/\ADm B♭/, items.find { |item| item[:title].start_with?("Chords in the verse") }[:target])
  end

  def test_what_an_item_came_to_is_kept_and_goes_when_it_is_open_again
    checklist = make(from: "reference", reference_id: @reference[:id])
    item = "/api/items/#{checklist[:items].first[:id]}"
    done = send_json(:patch, item, { result: "substituted", why: "no such organ" })[:item]
    text = get("/api/checklists/#{checklist[:id]}/checklist.md", {}, "HTTP_HOST" => "127.0.0.1").body

    assert_equal ["done", "substituted", "no such organ"], done.values_at(:state, :result, :why)
    assert_includes text, "  - Substituted: no such organ"
    assert_equal ["open", nil], send_json(:patch, item, { state: "open" })[:item].values_at(:state, :result)
    send_json(:patch, item, { result: "nearly" })

    assert_problem 422, "invalid", /Result/
  end

  def test_an_item_of_ones_own_is_added_at_the_end_of_its_stage
    checklist = make(from: "reference", reference_id: @reference[:id])
    own = send_json(:post, "/api/checklists/#{checklist[:id]}/items", { stage: "Groove", title: "Lid on the four" })[:item]
    stored = -> { get_json("/api/checklists/#{checklist[:id]}")[:checklist][:items] }

    assert_equal ["you", true, "as you hear it", 10], own.values_at(:from, :own, :target, :minutes)
    assert_equal(own[:id], stored.call.reverse.find { |item| item[:stage] == "Groove" }[:id])
  end

  def test_what_is_taken_away_comes_back
    checklist = make(from: "reference", reference_id: @reference[:id])
    own = send_json(:post, "/api/checklists/#{checklist[:id]}/items", { stage: "Groove", title: "Lid on the four" })[:item]
    stored = -> { get_json("/api/checklists/#{checklist[:id]}")[:checklist][:items] }
    send_json(:delete, "/api/items/#{checklist[:items].first[:id]}")
    send_json(:delete, "/api/items/#{own[:id]}")

    assert_equal(checklist[:items].drop(1).map { |item| item[:id] }, stored.call.map { |item| item[:id] })
    undone = send_json(:post, "/api/checklists/#{checklist[:id]}/undo")[:checklist]

    assert_equal ["Delete “#{checklist[:items].first[:title]}”", "Delete “Lid on the four”"], undone.values_at(:undo, :redo)
  end

  def test_items_are_moved_split_and_joined
    checklist = make(from: "reference", reference_id: @reference[:id])
    items = checklist[:items]
    many = items.find { |item| item[:steps].size > 1 }
    moved = send_json(:post, "/api/items/#{items.last[:id]}/move", { to: 0 })[:checklist]

    assert_equal [items.last[:id], true], [moved[:items].first[:id], moved[:by_hand]]
    split = send_json(:post, "/api/items/#{many[:id]}/split", { at: 2 })[:checklist]

    assert_equal items.size + 1, split[:items].size
    send_json(:post, "/api/items/#{many[:id]}/split", { at: 2 })

    assert_problem 422, "invalid", /one step/
    joined = send_json(:post, "/api/items/#{many[:id]}/join")[:checklist]

    assert_equal [items.size, many[:steps]], [joined[:items].size, joined[:items].find { |item| item[:id] == many[:id] }[:steps]]
  end

  def test_the_clock_of_an_item_runs
    many = make(from: "reference", reference_id: @reference[:id])[:items].first
    running = send_json(:post, "/api/items/#{many[:id]}/clock", { action: "start" })[:checklist][:items].find { |item| item[:id] == many[:id] }

    refute_nil running[:started_at]
    send_json(:post, "/api/items/#{many[:id]}/clock", { action: "wind" })

    assert_problem 422, "invalid", /Action/
  end

  def test_who_does_it_where_there_is_more_and_what_the_log_says
    checklist = make(from: "reference", reference_id: @reference[:id])
    item = "/api/items/#{checklist[:items].first[:id]}"

    assert_equal ["Ida", ["https://example.org/a"], 5], send_json(:patch, item, { who: "Ida", links: ["https://example.org/a"], extra: 5 })[:item].values_at(:who, :links, :extra)
    send_json(:patch, item, { links: ["javascript:alert(1)"] })

    assert_problem 422, "invalid", /Links/
    send_json(:patch, item, { result: "substituted", why: "=none" })
    logbook = get_json("#{@study}/logbook")
    csv = get("#{@study}/logbook.csv", {}, "HTTP_HOST" => "127.0.0.1").body

    assert_equal([["substituted", "=none"]], logbook[:entries].map { |entry| entry.values_at(:decision, :why) })
    assert_equal "substituted,'=none", csv.lines.last.chomp.split(",").last(2).join(",")
  end

  def test_a_list_is_renamed_copied_and_put_in_order_of_appearance
    checklist = make(from: "reference", reference_id: @reference[:id])
    list = "/api/checklists/#{checklist[:id]}"

    assert_equal "Bounce two", send_json(:patch, list, { title: "Bounce two" })[:checklist][:title]
    assert_equal "Bounce two, copy", send_json(:post, "#{list}/copies")[:checklist][:title]
    headings = send_json(:patch, list, { school: "appearance" })[:checklist][:items].map { |item| item[:heading] }.uniq

    assert_equal ["Verse, bar 1", "Chorus, bar 5", "Verse, bar 9", "Chorus, bar 13"], headings.grep(/bar/)
    assert_equal ["Frame", "Tempo and key"], headings.first(2)
  end

  def test_what_a_person_worded_is_not_held_against_the_readings
    checklist = make(from: "reference", reference_id: @reference[:id])
    tempo = checklist[:items].find { |item| item[:from] == "tempo" }
    said = send_json(:patch, "/api/items/#{tempo[:id]}", { title: "Tempo", target: "about 98", minutes: 3 })[:item]

    assert_equal ["Tempo", "about 98", 3, true], said.values_at(:title, :target, :minutes, :own)
    assert_nil get_json("/api/checklists/#{checklist[:id]}")[:checklist][:items].find { |item| item[:id] == tempo[:id] }[:now]
  end

  def test_what_fits_into_the_time_that_one_has
    checklist = make(from: "reference", reference_id: @reference[:id])
    session = get_json("/api/checklists/#{checklist[:id]}/session?minutes=20")[:session]
    chosen = checklist[:items].select { |item| session[:items].include?(item[:id]) }

    assert_equal [20, 0], session.values_at(:minutes, :rest)
    assert_operator chosen.sum { |item| item[:minutes] }, :<=, 20
    assert_equal checklist[:items].first[:id], session[:items].first
    get_json("/api/checklists/#{checklist[:id]}/session?minutes=none")

    assert_problem 422, "invalid", /Minutes/
  end

  def test_two_lists_of_one_song_have_two_names
    titles = Array.new(3) { make(from: "reference", reference_id: @reference[:id])[:title] }

    assert_equal(["", " 2", " 3"], titles.map { |title| title.delete_prefix(titles.first) })
  end

  def test_items_are_ticked_skipped_and_noted_and_it_lasts
    item = make(from: "profile")[:items].first
    send_json(:patch, "/api/items/#{item[:id]}", { state: "done", note: "in one take" })
    stored = get_json("/api/checklists/#{item[:checklist_id]}")[:checklist][:items].first

    assert_equal ["done", "in one take"], stored.values_at(:state, :note)
    assert_equal 1, get_json(@study)[:checklists].first[:done]
    send_json(:patch, "/api/items/#{item[:id]}", { state: "lost" })

    assert_problem 422, "invalid"
  end

  def test_another_order_keeps_what_was_ticked
    checklist = make(from: "reference", reference_id: @reference[:id], school: "chords")
    groove = checklist[:items].find { |item| item[:stage] == "Groove" }
    send_json(:patch, "/api/items/#{groove[:id]}", { state: "done" })
    changed = send_json(:patch, "/api/checklists/#{checklist[:id]}", { school: "drums" })[:checklist]

    assert_equal "drums", changed[:school]
    assert_operator stages(changed).index("Groove"), :<, stages(changed).index("Chords and bass")
    assert_equal "done", changed[:items].find { |item| item[:id] == groove[:id] }[:state]
    assert_equal "3.1", changed[:items].find { |item| item[:id] == groove[:id] }[:number]
  end

  def test_markdown_holds_every_item
    checklist = make(from: "reference", reference_id: @reference[:id])
    get("/api/checklists/#{checklist[:id]}/checklist.md", {}, "HTTP_HOST" => "127.0.0.1")

    assert_equal checklist[:items].size, last_response.body.scan(/^- \[ \] /).size
    assert_equal "text/markdown", last_response.media_type
  end

  def test_a_checklist_needs_something_to_come_from
    send_json(:post, "#{@study}/checklists", { from: "reference" })

    assert_problem 422, "invalid", /which reference/
    send_json(:post, "#{@study}/checklists", { from: "thin air" })

    assert_problem 422, "invalid"
    empty = new_study
    send_json(:post, "/api/studies/#{empty[:id]}/checklists", { from: "profile" })

    assert_problem 409, "nothing_analysed"
    send_json(:post, "/api/studies/#{empty[:id]}/checklists", { from: "reference", reference_id: @reference[:id] })

    assert_problem 422, "invalid", /another study/
  end

  def test_work_may_begin_at_a_later_bar
    send_json(:patch, @study, { scope_from: 9, scope_bar: 12 })
    items = make(from: "reference", reference_id: @reference[:id])[:items]

    assert_match(/\Abars 9 to 12 of the song: 4 bars, 0:\d\d\z/, items.first[:target])
    assert_empty(items.flat_map { |item| item[:targets] }.filter_map { |target| target[:first_bar] }.grep_v(9..12))
    assert_equal(["verse: bars 9 to 12, from 0:19"], items.find { |item| item[:title] == "Section lengths" }[:steps])
  end

  private

  def make(**wanted) = send_json(:post, "#{@study}/checklists", wanted)[:checklist]

  def stages(checklist) = checklist[:items].map { |item| item[:stage] }.uniq
end
