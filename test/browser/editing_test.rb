# frozen_string_literal: true

require_relative "../test_helper"

# Single edits of the sheet, and ways to get about on it.
class EditingTest < BrowserCase
  def setup
    super
    open_sheet
  end

  def test_another_windows_change_is_told_and_both_are_kept
    other = open_new_window
    within_window(other) do
      visit sheet_of(@reference)
      find("h1", text: "Fixture")
      find("[data-testid=sheet]")
      press "3", "c"

      within("[aria-label=Readings]") { assert_text "confirmed" }
    end
    expect_log(/409/)
    press "1", "c"
    within("[role=dialog]") do
      assert_text "changed in another window"
      assert_text "Confirm key"
      click_button "Make my change on top"
    end

    within("[aria-label=Readings]") { assert_text "confirmed", count: 2 }
    assert_equal(%w[confirmed confirmed], %w[tempo key].map { |aspect| library.readings.current(@reference[:id])[aspect][:state] })
  end

  def test_a_change_that_comes_too_late_can_be_dropped
    library.journal.record(@reference[:id], "Confirm key") { |readings| readings.mark(library.readings.current(@reference[:id])["key"][:id], "confirmed") }
    expect_log(/409/)
    press "1", "x"
    click_button "Drop mine and reload"

    within("[aria-label=Readings]") { assert_text "confirmed", count: 1 }
    assert_equal "open", library.readings.current(@reference[:id])["tempo"][:state]
  end

  def test_bars_are_looped_by_dragging_over_the_ruler
    ruler = find("[data-testid=ruler]")
    page.driver.browser.action.move_to(ruler.native, -(ruler.native.rect.width * 0.35).round, 18).click_and_hold
        .move_by((ruler.native.rect.width * 0.2).round, 0).release.perform

    assert_text(/Loop bars 3–6/)
    press "]"

    assert_text "Loop bars"
  end

  def test_anything_is_found_by_name
    press "/"
    within("[role=dialog]") do
      find("input").set("bar 7")
      find("[cmdk-item]", text: "Go to bar 7")
    end
    page.send_keys(:enter)

    assert_selector "[data-testid=place]", text: /\A7\.1/
    press [:control, "k"]
    find("[role=dialog] input").set("pin a mark")
    page.send_keys(:enter)
    fill_in "What is there?", with: "tape hiss"
    select "oddity", from: "Type"
    click_button "Pin it"

    assert_button "oddity, bar 7: tape hiss"
  end

  def test_every_key_is_on_the_list
    press "?"
    within("[role=dialog]") do
      ["confirm", "mark as wrong", "undo", "redo", "pin a mark", "slower", "a semitone up", "tap a beat, on the tempo's card", "split the chord or section"].each do |name|
        assert_text name
      end
    end
    page.send_keys(:escape)

    assert_no_selector "[role=dialog]"
  end

  def test_rows_and_their_items_are_reached_without_a_mouse
    press :down

    within("[aria-label=Evidence]") { assert_text "Section A" }
    press "."

    within("[aria-label=Evidence]") { assert_text(/bars 5–8/) }
    press :down

    within("[aria-label=Evidence]") { assert_text "Chord · bar 5" }
    press "s"

    assert_button "Undo: Split chord at bar 5"
    press "j"

    assert_button "Undo: Merge chord at bar 5"
  end

  def test_a_chord_that_can_not_be_read_is_explained_while_it_is_typed
    press :down, :down, "e"
    fill_in "Chord symbol", with: "Hm"

    assert_text "H is not used here"
    assert_button "Write it", disabled: true
    fill_in "Chord symbol", with: "Am9/C"

    assert_text "Am9/C: A C E G B"
    click_button "Write it"
    within("[aria-label=Evidence]") do
      assert_text "heard, open"
      click_button "Clear"

      assert_text "measured, open"
    end
  end

  def test_an_unusual_length_snaps
    find("button[title='verse A, 4 bars']", match: :first).click
    find("button[title='chorus B, 4 bars']", match: :first).click
    fill_in "starts at bar", with: "6"
    click_button "Move"

    assert_selector "button[title='verse A, 5 bars, an unusual length']"
    press ","
    press "g"

    assert_selector "button[title='verse A, 4 bars']"
  end

  def test_a_layer_gets_its_card
    press "a"
    fill_in "What is it?", with: "reed"
    click_button "Add the layer"
    fill_in "Sound", with: "breathy"
    find("[role=radio]", text: "substitute").click
    click_button "Another step"
    fill_in "Step 1", with: "low cut"
    fill_in "Setting of step 1", with: "120 Hz"
    click_button "Keep the card"

    assert_button "Undo: Card of reed"
    card = library.sheet(@reference).analysis.fetch(:heard_layers).first[:card]

    assert_equal ["breathy", "substitute", "low cut", "120 Hz"], [card[:sound], card[:have], card[:chain][0][:type], card[:chain][0][:setting]]
  end

  def test_a_change_is_struck_out_and_another_added
    change = { bar: 5, enters: ["bass"], leaves: [], thins: [], swells: [], hats: "faster" }
    visit sheet_of(analysed(new_study, "Changing", Fixture.varied(changes: [change])))
    find("button[aria-label^='Bar 5: bass enters; hats play faster']").click
    first(:button, "strike").click

    assert_button "put back"
    fill_in "Another change here", with: "tape stop"
    click_button "Add"

    assert_selector "button[aria-label='Bar 5: hats play faster; tape stop']"
  end

  def test_parts_are_separated_and_heard_and_speed_and_pitch_move
    press "p"
    find("[role=radio]", text: "low end").click

    assert_button "low end"
    find("[role=radio]", text: "drums").click

    # That button is the choice itself until the parts are made.
    assert_selector "button:not([role=radio])", text: "drums", wait: 60
    press "-", "'"

    assert_button "drums, 95 %, +1 st"
    click_button "Play"

    assert_selector "[data-playing=true]", wait: 30
    assert_selector "[data-testid=place]", text: /\A[1-9]\./, wait: 30
    press "k"

    assert_selector "[role=switch][aria-checked=true]", text: "click"
  end

  def test_the_engine_measures_again_and_what_was_said_stays
    press "1", "e"
    fill_in "BPM", with: "50"
    click_button w(:save_correction)

    assert_text "8 bars", wait: 60
    press "/"
    find("[role=dialog] input").set("analyse this recording again")
    page.send_keys(:enter)

    unfold(:history)

    assert_selector "[aria-label='History of tempo'] li", count: 3, wait: 60
    within("[aria-label=Readings]") { assert_text "50.00 BPM" }
  end
end
