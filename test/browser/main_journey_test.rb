# frozen_string_literal: true

require_relative "../test_helper"

# From a recording to a ticked checklist.
class MainJourneyTest < BrowserCase
  def test_a_producer_drops_a_song_reads_its_sheet_and_ticks_off_a_checklist
    visit "/"
    click_link "Start the first study"
    fill_in "Title", with: "Late Bus"
    click_button "Start the study"

    assert_text "Drop a recording here"
    attach_file "Recordings", Fixture.wav, visible: :all

    assert_selector "[role=progressbar]", wait: 30
    assert_text(/tempo and beats|key and chords|spectra|sections|layers/, wait: 60)
    assert_selector "[aria-label=Readings]", wait: 60
    read_the_sheet
    play_and_seek
    tick_the_checklist
  end

  private

  def read_the_sheet
    within("[aria-label=Readings]", wait: 60) do
      assert_text(/100\.\d\d BPM/)
      assert_text "A minor"
      assert_text "Four to the bar"
    end
    assert_button(text: "Am", match: :first)
    assert_selector "[aria-label^='kick plays in']"
  end

  def play_and_seek
    click_button "Play"

    assert_selector "[data-playing=true]"
    press :space

    assert_selector "[data-playing=false]"
    press :right, :right
    before = place
    press %i[shift right]

    assert_operator place, :>, before
    find("[data-testid=sheet] [data-seek]", match: :first).click(x: 0, y: 20)

    assert_operator place, :>, 0
  end

  # The bar that the transport shows.
  def place = find("[data-testid=place]").text.to_i

  def tick_the_checklist
    click_button "Make a checklist"

    assert_selector "h1", text: "Checklist"
    assert_text(/Tempo holds to the end\s+100\.\d\d BPM/)
    item = find("[role=checkbox][aria-label*='Tempo holds']")
    item.click

    assert_selector "[role=checkbox][aria-label*='Tempo holds'][aria-checked=true]"
    assert_text(/1 of \d+ done/)
    visit current_path

    assert_selector "[role=checkbox][aria-label*='Tempo holds'][aria-checked=true]"
  end
end
