# frozen_string_literal: true

require_relative "../test_helper"

# Doubting, correcting and adding on the sheet.
class SheetTest < BrowserCase
  def setup
    super
    @reference = analysed(new_study)
    visit sheet_of(@reference)

    find("h1", text: "Fixture")
    find("[data-testid=sheet]")
  end

  def test_on_paper_no_bar_is_cut_off_however_wide_the_screen
    size(1920, 1080)
    visit "#{sheet_of(analysed(new_study))}/paper"
    find("[data-system]")
    drawn, shown = evaluate_script("(part => [part.offsetWidth, part.parentElement.clientWidth])(document.querySelector('[data-system]'))")

    assert_operator drawn, :<=, shown
  end

  def test_a_reading_explains_itself_and_is_confirmed_with_a_key
    press "3"

    within("[aria-label=Evidence]") do
      assert_selector "h2", text: "A minor"
      assert_text w(:alternatives)
      assert_text "History"
    end
    press "c"

    within("[aria-label=Readings]") { assert_text "confirmed" }
    assert_equal "confirmed", reading("key")[:state]
    press "o"

    within("[aria-label=Readings]") { assert_no_text "confirmed" }
  end

  def test_a_correction_is_in_force_and_can_be_taken_back
    press "1", "e"
    fill_in "BPM", with: "50"
    select "told", from: "How you know"
    fill_in "Note", with: "by the drummer"
    click_button w(:save_correction)

    within("[aria-label=Readings]") { assert_text "50.00 BPM" }
    within("[aria-label=Evidence]") { assert_text "by the drummer" }
    assert_link(text: "50.00")
    click_button w(:wrong)

    within("[aria-label=Readings]") { assert_text(/100\.\d\d BPM/) }
  end

  def test_a_value_that_makes_no_sense_is_explained
    expect_log(/422/)
    press "1", "e"
    fill_in "BPM", with: "4"
    click_button w(:save_correction)

    assert_text "BPM must be between 20 and 400."
  end

  def test_a_rival_can_be_taken
    key = Fixture.key("A", "minor").merge(confidence: 0.6, rivals: [{ tonic: "C", mode: "major", odds: 0.3 }])
    visit sheet_of(analysed(new_study, "Doubtful", Fixture.varied(key:)))
    find("h1", text: "Doubtful")
    press "3"
    find("aside button", text: "C major").click

    within("[aria-label=Readings]") { assert_text "C major" }
  end

  def test_a_layer_is_added_and_painted_by_section_and_by_hand
    press "a"
    fill_in "What is it?", with: "melodica"
    click_button "Add the layer"
    within("[aria-label=Evidence]") do
      within(first("[aria-label*='from bar']")) { find("[role=radio]", text: "full").click }

      assert_text "Plays in 4 of 16 bars."
    end
    canvas = find("[data-testid=paintable]")
    box = canvas.native.rect
    page.driver.browser.action.move_to(canvas.native, 0, 0).click_and_hold.move_by((box.width / 4).round, 0).release.perform

    assert_text(/Plays in (8|9) of 16 bars\./)
    click_button w(:delete)

    assert_no_selector "[aria-label^='melodica, heard']"
  end

  def test_a_technique_is_noted_with_its_bars
    press "t"
    fill_in "What happens?", with: "snare thrown into echo"
    fill_in "From bar", with: "7"
    fill_in "To bar", with: "8"
    click_button "Note it"

    assert_button "snare thrown into echo, bars 7–8"
    within("[aria-label=Evidence]") { assert_text "heard by you" }
    click_button w(:delete)

    assert_no_button "snare thrown into echo, bars 7–8"
  end

  def test_a_section_is_looped_and_the_loop_ends
    find("button[title='verse A, 4 bars']", match: :first).click
    within("[aria-label=Evidence]") { click_button "in a loop" }

    assert_text "Loop bars 1–4"
    press "l"

    assert_no_text "Loop bars"
  end

  def test_a_loop_returns_to_its_start
    press :right
    press "l"

    assert_text "Loop bars 1–4"
    click_button "Play"

    assert_selector "[data-playing=true]"
    press(*([:right] * 3))

    assert_selector "[data-testid=place]", text: /\A1\./
  end

  def test_closer_there_are_fewer_bars_and_the_page_itself_never_scrolls_sideways
    [[1024, 768], [1280, 800], [1920, 1080]].each do |width, height|
      size(width, height)
      press "z"

      assert_equal width, page.evaluate_script("document.documentElement.scrollWidth")
    end
    press "z"
  end

  def test_what_can_be_handed_over
    click_button w(:export)
    links = all("a[role=menuitem]").map { |item| URI(item[:href]).path }

    assert_equal Ethoscope::Export::Formats.of(:song).size, links.size
    links.each do |path|
      get_json(path) if path.end_with?("json")
      get(path, {}, "HTTP_HOST" => "127.0.0.1")

      assert_equal 200, last_response.status
    end
  end

  private

  def reading(aspect) = library.readings.current(@reference[:id])[aspect]
end
