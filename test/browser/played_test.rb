# frozen_string_literal: true

require_relative "../test_helper"

# Close to: what each layer plays, and what is said about time.
class PlayedTest < BrowserCase
  def setup
    super
    @reference = analysed(new_study)
  end

  def test_at_bar_zoom_strokes_and_notes_are_drawn_by_layer
    visit "#{sheet_of(@reference)}?zoom=bar"

    assert_selector "svg[aria-label^='snare: '][aria-label*='in view; bar 1: 2, 4']", wait: 15
    assert_selector "svg[aria-label^='bass: '][aria-label*='on 1']"
    assert_selector "svg[aria-label*='hats on steps']"
  end

  def test_the_tempo_card_tells_the_drift_and_takes_a_ramp
    visit sheet_of(@reference)
    find("h1", text: "Fixture")
    find("[data-testid=sheet]")
    press "1"
    within("[aria-label=Evidence]") do
      assert_text "Against the grid"
      unfold(:tools)
      fill_in "from bar", with: "5"
      fill_in "at BPM", with: "100"
      fill_in "until bar", with: "9"
      fill_in "to BPM", with: "80"
      click_button "Move there"
    end

    within("[aria-label=Readings]") { assert_text "then from 100.00 to 80.00 in 4 bars" }
    assert_equal [{ at: reading("tempo")[:value][:changes].first[:at], bpm: 100.0, to: 80.0, bars: 4 }], reading("tempo")[:value][:changes]
  end

  def test_a_stroke_is_written_moved_taken_away_and_undone
    visit "#{sheet_of(@reference)}?zoom=bar&card=layer:snare"
    within("[aria-label=Evidence]") do
      fill_in "on beat", with: "4.5"
      click_button "Write it"

      assert_field "Beat of stroke on 4.5"
      field = find_field("Beat of stroke on 2")
      field.fill_in(with: "1.5").send_keys(:enter)

      assert_field "Beat of stroke on 1.5"
      click_button "Delete stroke on 4"

      assert_text "4 changes by you"
    end

    assert_selector "svg[aria-label^='snare: '][aria-label*='bar 1: 1.5, 4.5']"
    click_button "Undo: Delete in snare, bar 1"

    assert_selector "svg[aria-label^='snare: '][aria-label*='bar 1: 1.5, 4, 4.5']"
    within("[aria-label=Evidence]") { click_button "As it was measured" }

    assert_selector "svg[aria-label^='snare: '][aria-label*='bar 1: 2, 4']"
  end

  private

  def reading(aspect) = library.readings.current(@reference[:id])[aspect]
end
