# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/browser_case"

# Nothing is lost in silence: what was typed, what changed since, what can't be shown.
class TrustBrowserTest < BrowserCase
  PATIENT = 40

  def test_a_card_that_was_not_kept_comes_back_and_a_decimal_point_is_typed_as_it_is
    open_sheet
    add_layer_by_button
    fill_in "Sound", with: "dull bells"
    click_button "Another candidate"
    find_field("How sure of candidate 1").send_keys("0", ".", "6")

    assert_equal "0.6", find_field("How sure of candidate 1").value
    assert_text "not kept yet"
    visit "/"
    visit sheet_of(@reference)
    find("[data-testid=sheet] button", text: "echo").click

    assert_equal(["dull bells", "0.6"], ["Sound", "How sure of candidate 1"].map { |name| find_field(name).value })
    fill_in "Candidate 1", with: "glass set"
    click_button "Keep the card"

    assert_no_text "not kept yet"
    assert_equal([0.6], library.readings.of_aspect(@reference[:id], "layer").last[:value][:card][:candidates].map { |candidate| candidate[:sure] })
  end

  def test_what_was_typed_can_be_dropped
    open_sheet
    add_layer_by_button
    fill_in "Sound", with: "dull bells"
    click_button "Drop what was typed"

    assert_equal "", find_field("Sound").value
    assert_no_text "not kept yet"
  end

  def test_an_item_says_that_its_reading_changed_and_takes_the_new_target
    open_sheet
    click_button "Make a checklist"
    find("h1", exact_text: "Checklist")
    list = page.current_path
    put_tempo_right(50.0)
    visit list

    assert_selector "button[aria-expanded]", text: "Tempo holds to the end changed"
    find("button[aria-expanded]", text: "Tempo holds to the end").click

    assert_text "Use the new target? 50.00 BPM (±1 BPM)"
    click_button "Use the new target"

    assert_no_text "Use the new target?"
    assert_selector "td", text: "50.00 BPM"
    click_link "layers", match: :first

    assert_selector "aside h2"
    assert_match(/about=layer/, page.current_url)
  end

  def test_a_song_that_cant_be_shown_offers_what_can_be_done_and_the_others_go_on
    @reference = analysed(study = new_study)
    other = analysed(study, "Other")
    library.db[:analyses].where(recording_id: other[:recording_id]).update(data: JSON.generate(Fixture.varied(bars: [], beats: []).to_h), vector: nil)
    # The faults are logged.
    capture_io do
      visit "/studies/#{study[:id]}"

      assert_selector "td", text: "100.00 BPM"
      click_link "What can be done"

      assert_text "“Other” can't be shown as it stands"
      click_button w(:analyse_again)

      assert_selector "[data-testid=sheet]", wait: PATIENT
      assert_selector "h1", text: "Other"
    end
  end

  def test_what_could_not_be_told_is_said_on_the_sheet
    @reference = analysed(new_study, "Fixture", Fixture.varied(gaps: [{ what: "the technique “Riser”", reason: nil, fault: "IndexError at riser.rb:3" },
                                                                      { what: "90.00 BPM from bar 16 on", reason: "no whole bar fits", fault: nil }]))
    visit sheet_of(@reference)

    assert_text "Not told here: the technique “Riser”. The engine failed there; everything else stands."
    assert_text "Could not be followed: 90.00 BPM from bar 16 on; no whole bar fits."
  end

  def test_many_tabs_that_watch_an_analysis_leave_room_for_another_one
    @reference = analysed(study = new_study)
    # An analysis that goes on for as long as the tabs are open.
    @dispatcher.stop
    library.analyses.queue(@reference[:recording_id])
    library.analyses.claim
    others = Array.new(8) { open_new_window }
    others.each do |tab|
      within_window(tab) do
        visit "/studies/#{study[:id]}"

        assert_selector "h1", text: "Study"
        assert_selector "td", text: "100.00 BPM"
      end
    end
    others.each(&:close)
  end

  def test_a_change_that_fails_is_told_where_it_has_no_place_of_its_own
    open_sheet
    expect_log(/409/)
    # Another window asked for a derivation that is not worked in yet.
    @dispatcher.stop
    id = library.readings.current(@reference[:id])["tempo"][:id]
    library.journal.record(@reference[:id], "Correct tempo") { |readings| readings.correct(id, value: { bpm: 50.0 }, source: "heard") }
    library.derive(@reference)
    click_button "Make a checklist"

    assert_selector "[role=alert]", text: /still being analysed/
    click_button "Dismiss"

    assert_no_selector "[role=alert]"
  end

  private

  def add_layer_by_button
    click_button "Add a layer"
    within("[role=dialog]") do
      fill_in "What is it?", with: "echo"
      click_button "Add the layer"
    end
    find("aside h2", text: "echo")
  end
end
