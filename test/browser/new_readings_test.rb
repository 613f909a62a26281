# frozen_string_literal: true

require_relative "../test_helper"

# Steps, changes, keys, tempo and mix on the sheet and in the drawer.
class NewReadingsTest < BrowserCase
  def test_steps_of_a_section_are_on_the_sheet_and_in_its_card
    open_sheet
    first(:button, text: /backbeat/).click

    evidence do
      assert_text "Drum steps"
      assert_selector "svg[aria-label*='snare on steps 5, 13']"
      assert_text "Against the song's mean"
      assert_text(/Bass.*root/m)
    end
  end

  def test_what_changes_at_a_bar_is_told_in_words_and_figures
    change = { bar: 9, enters: %w[hats bass], leaves: ["lead"], thins: [], swells: [], hats: "faster" }
    open_sheet(changes: [change])
    find("button", text: "+2 −1 »").click

    evidence do
      assert_selector "h2", text: "Bar 9"
      assert_text "Hats, bass enter; lead leaves; hats play faster."
      assert_text "4 bars before, 4 after"
    end
  end

  def test_a_change_of_key_has_a_row_of_its_own
    stretches = [["A", 1, 8], ["B", 9, 16]].map { |tonic, first_bar, last_bar| { tonic:, mode: "minor", first_bar:, last_bar:, confidence: 0.9 } }
    open_sheet(key: Fixture.key("A", "minor").merge(stretches:, outside: [{ note: "G#", share: 0.12, bars: [6, 8] }]))

    within("[data-testid=sheet]") { find("button", text: "B minor").click }
    evidence do
      assert_text "Where it changes"
      assert_text "bars 9–16"
      assert_text(/G♯\s*12 %\s*bars 6, 8/)
    end
  end

  def test_a_tempo_that_moves_is_drawn_bar_by_bar_with_its_rivals
    bars = Fixture.analysis.fetch(:bars).map { |bar| bar.merge(bpm: 98.0 + bar[:bar]) }
    tempo = Fixture.analysis.fetch(:tempo).merge(constant: false, candidates: [{ bpm: 106.0, odds: 0.7, relation: "chosen", reason: "the pulse chosen" },
                                                                               { bpm: 53.0, odds: 0.3, relation: "half", reason: "the snare falls on the third beat" }])
    open_sheet(bars:, tempo:)
    press "1"

    assert_selector "svg[aria-label='Tempo from 99.0 to 114.0 BPM']"
    evidence do
      assert_text "How well onsets repeat"
      assert_text "the snare falls on the third beat"
    end
  end

  def test_loudness_tells_range_true_peak_and_width
    open_sheet
    press "7"

    evidence do
      ["Short-term loudness", "True peak", "dBTP", "low end", "Mean spectrum"].each { |text| assert_text text }
    end
  end

  def test_meter_and_tuning_rest_on_plots
    open_sheet
    press "2"

    evidence { assert_text(/Off the grid, \w+ onsets/) }
    press "4"

    evidence { assert_selector "svg[aria-label*='Partials by distance']" }
  end

  private

  def open_sheet(**parts)
    visit sheet_of(analysed(new_study, "Changed", Fixture.varied(**parts)))

    find("h1", text: "Changed")
  end

  def evidence(&) = within("[aria-label=Evidence]", &)
end
