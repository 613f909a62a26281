# frozen_string_literal: true

require_relative "../test_helper"

# Hearing what the sheet says.
class ListeningTest < BrowserCase
  def setup
    super
    open_sheet
  end

  def test_the_bar_of_a_chord_is_played_once_and_stops_by_itself
    click_button(text: "Am", match: :first)
    within("[aria-label=Evidence]") do
      assert_text "bar 1, beat 1"
      click_button "once"
    end

    assert_selector "[data-playing=true]"
    assert_selector "[data-testid=place]", text: /\A1\./
    assert_selector "[data-playing=false]"
    assert_selector "[data-testid=place]", text: /\A(1\.4|2\.\d)\z/
  end

  def test_a_click_on_the_ruler_goes_there
    row = find("[data-seek]", match: :first)
    width = row.native.rect.width
    page.driver.browser.action.move_to(row.native, (width / 4).round, 15).click.perform

    assert_selector "[data-testid=place]", text: /\A1[123]\./
  end

  def test_sections_are_stepped_through_with_keys
    press :right
    press %i[shift right]

    assert_selector "[data-testid=place]", text: /\A5\.1\z/
    press %i[shift right]

    assert_selector "[data-testid=place]", text: /\A9\.1\z/
    press %i[shift left]

    assert_selector "[data-testid=place]", text: /\A5\.1\z/
  end

  def test_the_playhead_lies_where_the_sound_is
    3.times { press :right }
    place = page.evaluate_script("new DOMMatrix(getComputedStyle(document.querySelector('[data-testid=playhead]')).transform).m41")
    width = find("[data-seek]", match: :first).native.rect.width

    assert_in_delta width * 2 / 16, place, 3
  end

  def test_volume_starts_low_and_moves_with_keys
    slider = find("[role=slider]")

    assert_operator slider["aria-valuenow"].to_i, :<, 50
    slider.send_keys(:right, :right)

    assert_equal "37", slider["aria-valuenow"]
  end

  def test_the_sound_goes_on_while_another_page_is_read
    click_button "Play"

    assert_selector "[data-playing=true]"
    click_link "Profile"

    assert_selector "h1", text: "Style profile"
    assert_button "Pause"
  end

  def test_a_sound_file_that_is_gone_is_told_and_the_sheet_stays
    expect_log(/404|500|Failed to load/)
    File.delete(library.recordings.path(library.recordings.find(@reference[:recording_id])))
    visit sheet_of(@reference)
    find("h1", text: "Fixture")
    find("[data-testid=sheet]")
    click_button "Play"

    assert_text "This browser can't play the file."
    within("[aria-label=Readings]") { assert_text "A minor" }
  end

  def test_a_closer_look_shows_more_of_each_bar_and_follows_the_sound
    whole = cell_width
    press "z"

    assert_operator cell_width, :>, whole - 1
    press "z"

    assert_selector "[aria-label^='kick: ']"
    assert_operator cell_width, :>, 3 * whole
    click_button "Play"
    3.times { press %i[shift right] }

    assert_operator wait_for_scroll, :>, 0
  end

  private

  def cell_width = page.evaluate_script("document.querySelector('[aria-label^=\"kick\"]').getBoundingClientRect().width / 16")

  def wait_for_scroll
    page.evaluate_async_script(<<~SCRIPT)
      const done = arguments[0];
      const box = document.querySelector("[data-testid=sheet]");
      const look = (left) => (box.scrollLeft > 0 || left === 0 ? done(box.scrollLeft) : requestAnimationFrame(() => look(left - 1)));
      look(600);
    SCRIPT
  end
end
