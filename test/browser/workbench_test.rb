# frozen_string_literal: true

require_relative "../test_helper"

# A producer takes the engine's sheet and makes it theirs; nothing is lost on the way.
class WorkbenchTest < BrowserCase
  SONG = File.expand_path("../../demo/audio/marsh_telephone.ogg", __dir__)
  # Beats at 146.5 BPM, as key presses whose times are set: a test has no steady hand.
  TAPS = <<~JS
    for (let tap = 0; tap < 12; tap++) {
      const event = new KeyboardEvent("keydown", { key: "b", bubbles: true, cancelable: true });
      Object.defineProperty(event, "timeStamp", { value: 5000 + tap * 60000 / 146.5 });
      document.body.dispatchEvent(event);
    }
  JS
  PATIENT = 60

  def test_a_sheet_is_put_right_step_by_step_undone_redone_and_found_again
    import_the_song
    tap_halve_and_move_the_downbeat
    correct_a_chord
    resolve_a_contradiction
    split_a_section
    add_and_paint_a_layer
    undo_three_steps_and_redo_one
    visit sheet_of(@reference)

    find_all_of_it
    find_the_history
  end

  private

  def import_the_song
    study = new_study
    @reference = File.open(SONG, "rb") { |file| library.import(study[:id], file, "marsh_telephone.ogg") }
    bulletin.publish
    visit sheet_of(@reference)

    assert_selector "[aria-label=Readings]", wait: PATIENT
    assert_text "32 bars"
  end

  def tap_halve_and_move_the_downbeat
    press "1"
    unfold(:tools)

    assert_text "Tap on each beat of what plays."
    page.execute_script(TAPS)

    assert_text(/146\.50 BPM, within 0\.0 ms over 12 taps/)
    assert_text(/nearest measured 146\.5/)
    click_button "Take 146.50"

    assert_text "64 bars", wait: PATIENT
    press "h"

    assert_text "32 bars", wait: PATIENT
    assert_text(/73\.25 BPM/)
    first = library.analysis(@reference).fetch(:downbeats)
    press "2"
    click_button "Bar 1 a beat later"

    assert_text(/Pickup\s+1 beat$/, wait: PATIENT)
    assert_in_delta first[0] + (60 / 73.25), library.analysis(@reference).fetch(:downbeats)[0], 0.05
  end

  def correct_a_chord
    press :down, :down, "e"
    fill_in "Chord symbol", with: "Fmin7/Ab"

    assert_text(%r{Fm7/A♭: F A♭ C E♭; i7, diatonic})
    click_button "Write it"

    assert_button(text: "Fm7/A♭", match: :first)
    within("[aria-label=Evidence]") { assert_text "A♭6" }
  end

  def resolve_a_contradiction
    press "3"
    unfold(:tools)
    click_button w(:add_source)
    select "A♭", from: "Key"
    within("form") { select "major", from: "Mode" }
    select "told", from: "How you know"
    fill_in "Note", with: "the organist"
    click_button w(:save)

    assert_button "1 to settle"
    within("[aria-label=Readings]") { assert_text "F minor" }
    press "q"
    within(find("li", text: "the organist")) { click_button w(:confirm) }

    assert_text "Nothing contradicts"
    within("[aria-label=Readings]") { assert_text "A♭ major" }
    assert_no_text w(:reanalysing), wait: PATIENT
  end

  def split_a_section
    @sections = library.sheet(@reference).analysis.fetch(:sections)
    verse = @sections.find { |section| section[:bars] >= 6 }
    @split = verse[:first_bar] + 2
    find("[data-testid=ruler] button", text: /from bar\s+#{verse[:first_bar]}\b/).click
    fill_in "split at bar", with: @split
    click_button "Split"

    assert_selector "[data-testid=ruler] button", text: /from bar\s+#{@split}\b/
  end

  def add_and_paint_a_layer
    press "a"
    fill_in "What is it?", with: "melodica"
    select "lead", from: "Its role"
    click_button "Add the layer"
    within("[aria-label=Evidence]") do
      within(all("[aria-label*='from bar']")[0]) { find("[role=radio]", text: "full").click }

      assert_no_text "Plays in 0 of"
      painted = find("p", text: /Plays in/).text
      within(all("[aria-label*='from bar']")[1]) { find("[role=radio]", text: "thin").click }

      assert_no_text painted
    end
  end

  def undo_three_steps_and_redo_one
    press [:control, "z"]

    assert_button "Undo: Paint melodica"
    press [:control, "z"]

    assert_button "Undo: Add layer melodica"
    press [:control, "z"]

    assert_button "Undo: Split section"
    assert_no_selector "[aria-label^='melodica, heard']"
    press [:control, :shift, "z"]

    assert_selector "[aria-label^='melodica, heard in 0 of']"
    assert_no_text w(:reanalysing), wait: PATIENT
  end

  def find_all_of_it
    within("[aria-label=Readings]", wait: PATIENT) do
      assert_text "73.25 BPM"
      assert_text "A♭ major"
    end
    assert_button(text: "Fm7/A♭", match: :first)
    assert_selector "[data-testid=ruler] button", text: /from bar\s+#{@split}\b/
    assert_selector "[aria-label^='melodica, heard in 0 of']"
  end

  def find_the_history
    press "1"
    unfold(:history)

    assert_equal 3, all("[aria-label='History of tempo'] li").size
    assert_text(/146\.50 BPM heard, replaced\. 12 taps within 0\.0 ms/)
    assert_text(/73\.25 BPM heard/)
    press "3"

    assert_text(/A♭ major told, confirmed\. the organist/)
    assert_text(/F minor measured, replaced/)
    press "y"
    labels = ["Correct tempo", "Count in another unit", "Move the first beat", /Name chord at bar/, "Add what is said of the key", "Confirm key", /Split section/,
              "Add layer melodica", "Paint melodica (undone)", "Paint melodica (undone)"]
    shown = all("[aria-label=Evidence] ol li").map { |line| line.text.squeeze("\n").tr("\n", " ") }.reverse

    assert_equal labels.size, shown.size
    labels.zip(shown).each { |label, text| assert_match label.is_a?(Regexp) ? label : Regexp.new(Regexp.escape(label)), text }
  end
end
