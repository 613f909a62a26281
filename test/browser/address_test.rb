# frozen_string_literal: true

require_relative "../test_helper"

# What is selected and how near one is stands in the address; the palette leads everywhere.
class AddressTest < BrowserCase
  def setup
    super
    @reference = analysed(new_study)
    visit sheet_of(@reference)

    find("h1", text: "Fixture")
    find("[data-testid=sheet]")
  end

  def address = URI.decode_www_form(URI(page.current_url).query.to_s).to_h

  def chosen = find("button[aria-pressed=true][aria-label*='bar']")["aria-label"]

  def test_a_chord_and_the_zoom_last_when_the_page_is_loaded_again
    press "z"
    find("button[aria-label^='F, ']", match: :first).click

    assert_selector "aside h2", text: "F"
    assert_match(/\Achord:\d+\.\d{3}\z/, address["card"])
    assert_equal "section", address["zoom"]
    before = chosen
    visit page.current_url

    assert_selector "aside h2", text: "F"
    assert_equal before, chosen
    assert_selector "[aria-label=Zoom] [aria-checked=true], [aria-label=Zoom] [data-state=on]", text: "section"
    press :escape

    assert_no_selector "aside h2"
    assert_nil address["card"]
  end

  def test_the_same_chord_stays_chosen_when_the_one_before_it_is_split
    find("button[aria-label^='C, ']", match: :first).click

    assert_selector "aside h2", text: "C"
    card = address["card"]
    send_chord(action: "split", bar: 2, beat: 3)
    visit page.current_url

    assert_selector "aside h2", text: "C"
    assert_equal card, address["card"]
  end

  def test_an_address_that_makes_no_sense_selects_nothing
    visit "#{sheet_of(@reference)}?card=chord:soon&zoom=moon"

    assert_selector "h1", text: "Fixture"
    assert_no_selector "aside h2"
  end

  def test_the_palette_leads_to_every_place_of_the_study
    press [:control, "k"]
    find("[placeholder^='An action']").send_keys("sounds", :enter)

    assert_selector "h1", text: "Sounds"
    press [:control, "k"]
    find("[placeholder^='An action']").send_keys("fixture", :enter)

    assert_selector "h1", text: "Fixture"
  end

  private

  def send_chord(**edit)
    entries = Ethoscope::Sheet::ChordEdits.new(library.sheet(@reference).analysis.to_h).split(**edit.except(:action))
    library.journal.record(@reference[:id], "Split") { |readings| entries.each { |entry| Work::Chords.new(readings).write(@reference[:id], entry) } }
  end
end
