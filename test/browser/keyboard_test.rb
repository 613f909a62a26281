# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/browser_case"

# The whole journey without a mouse: a study, its sheet, a decision, a checklist, its items, taking away, back.
class KeyboardTest < BrowserCase
  def test_the_journey_by_keys_alone
    start_a_study
    analysed(library.studies.find(1))
    go_to "Fixture"

    assert_selector "h1", text: "Fixture"
    decide_by_key
    make_a_list
    work_at_the_list
    take_away
  end

  def test_a_card_that_is_opened_by_key_takes_the_focus_and_gives_it_back
    open_sheet
    button = find("[aria-label=Readings] button", text: "Key")
    page.execute_script("arguments[0].focus()", button)
    press :enter

    assert_selector "aside[aria-label=Evidence]:focus"
    assert_selector "[data-testid=live]", text: "Opened: A minor", visible: :all
    press :escape

    assert_no_selector "aside[aria-label=Evidence]"
    assert_selector "[aria-label=Readings] button:focus", text: "Key"
  end

  def test_after_a_click_space_plays_and_arrows_move
    open_sheet
    find("[aria-label=Readings] button", text: "Key").click
    press :space

    assert_button "Pause"
    press :space

    assert_button "Play"
    press :right, :right

    assert_selector "[data-testid=place]", text: /\A[23]\./
  end

  def test_the_sheet_fits_the_room_that_a_card_leaves_and_decisions_stay_in_sight
    open_sheet
    [1280, 1024].each do |width|
      size(width, 768)
      find("[data-testid=sheet] button[title^='chorus']", match: :first).click

      assert_selector "aside[aria-label=Evidence]"
      assert_operator right_of("[data-seek]"), :<=, left_of("aside[aria-label=Evidence]")
      assert_operator right_of("[data-testid=sheet] button[aria-pressed=true]"), :<=, width
      assert_operator bottom_of("[aria-label=Decide]"), :<=, 768
      press :escape
    end
  end

  private

  def start_a_study
    visit "/"
    press "/"
    choose "a new study"
    find_field("Title")
    press "By keys", :enter

    assert_selector "h1", text: "By keys"
  end

  def go_to(name)
    visit current_path

    within("nav") { assert_link name }
    press "/"
    choose name
  end

  # What the palette offers for words stands there before it is taken.
  def choose(name)
    find("[cmdk-input]").send_keys(name)
    find("[cmdk-item][aria-selected=true]", text: name)
    press :enter
  end

  def decide_by_key
    find("[data-testid=sheet]")
    press "3"

    assert_selector "aside[aria-label=Evidence]", text: "Key"
    press "c"

    assert_selector "[aria-label=Readings] button", text: "confirmed"
    press [:control, "z"]

    assert_no_selector "[aria-label=Readings] button", text: "confirmed"
    press :escape
  end

  def make_a_list
    button = find_button("Make a checklist")
    page.execute_script("arguments[0].focus()", button)
    press :enter

    assert_selector "h1", text: "Checklist"
  end

  def work_at_the_list
    press "j"

    assert_text w(:how_close)
    press "j", "k", %i[shift down]

    assert_button "Undo", disabled: false
    press [:control, "z"], :escape

    assert_no_text w(:how_close)
  end

  def take_away
    press "/"
    choose "Fixture: on paper"

    assert_selector "h1", text: "On paper"
    assert_selector "h2", text: "Fixture"
  end

  def left_of(selector) = page.evaluate_script("document.querySelector(#{selector.to_json}).getBoundingClientRect().left")

  def right_of(selector) = page.evaluate_script("document.querySelector(#{selector.to_json}).getBoundingClientRect().right")

  def bottom_of(selector) = page.evaluate_script("document.querySelector(#{selector.to_json}).getBoundingClientRect().bottom")
end
