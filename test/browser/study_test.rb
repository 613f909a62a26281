# frozen_string_literal: true

require_relative "../test_helper"

# Studies, profile and checklists, and what they say when something is missing or wrong.
class StudyTest < BrowserCase
  def test_a_study_needs_a_title_and_says_so_beside_the_field
    expect_log(/422/)
    visit "/studies/new"
    click_button "Start the study"

    assert_selector "[role=alert]", text: "Title must not be empty."
    fill_in "Title", with: "Low Water"
    find("[role=radio][aria-label='Exact remake']").click
    find("summary", text: "Optional").click
    fill_in "Tempo of the new track, if known", with: "72,5"
    click_button "Start the study"

    assert_selector "h1", text: "Low Water"
    assert_text "exact remake; new track in 72.50 BPM"
  end

  def test_files_that_cant_be_used_say_why_and_others_go_in
    expect_log(/422/)
    visit "/studies/#{new_study[:id]}"
    File.write(note = File.join(folder, "diary.wav"), "Dear diary")
    attach_file "Recordings", [note, Fixture.wav], visible: :all

    assert_selector "li", text: "diary.wav This is not a sound file that Ethoscope can read.", normalize_ws: true
    assert_link "fixture"
    click_button "Dismiss"

    assert_no_text "diary.wav"
  end

  def test_of_many_songs_those_in_sight_are_drawn_at_once_and_the_others_as_one_scrolls
    study = new_study
    45.times { |number| analysed(study, "Song #{number + 1}") }
    visit "/studies/#{study[:id]}"

    table = find("main table[aria-rowcount='46']")

    assert table.has_link?("Song 1", exact: true)
    assert table.has_no_link?("Song 45")
    execute_script("document.querySelector('main table').closest('.overflow-y-auto').scrollTo(0, 1e6)")

    assert table.has_link?("Song 45")
    assert table.has_no_link?("Song 1", exact: true)
  end

  def test_a_song_is_dropped_onto_the_page
    visit "/studies/#{new_study[:id]}"
    find("main > div").drop(Fixture.wav)

    assert_link "fixture"
  end

  def test_the_same_song_twice_says_where_it_is_already
    expect_log(/409/)
    study = new_study
    reference = analysed(study, "Kept")
    copy = File.join(folder, "copy.wav")
    FileUtils.cp(library.recordings.path(library.recordings.find(reference[:recording_id])), copy)
    visit "/studies/#{study[:id]}"
    attach_file "Sound files", copy, visible: :all

    assert_selector "[role=alert]", text: "already, as “Kept”"
  end

  def test_a_failed_analysis_says_why_and_offers_the_next_step
    silent = Ethoscope::Audio::Recording.new(channels: Numo::SFloat.zeros(1, 44_100 * 6), rate: 44_100)
    visit(study = "/studies/#{new_study[:id]}")
    attach_file "Recordings", SoundFile.write(silent, File.join(folder, "silent.wav")), visible: :all

    assert_text "The recording is silent.", wait: 30
    visit study

    assert_text "The recording is silent."
    assert_button w(:try_again)
    find("[role=alert] button", text: w(:delete)).click

    assert_text "Drop a recording here"
  end

  def test_an_empty_study_has_a_next_step_on_every_page
    study = new_study
    visit "/studies/#{study[:id]}/checklists"

    assert_text "A checklist comes from what was measured."
    expect_log(/409/)
    visit "/studies/#{study[:id]}/profile"

    assert_text "No reference is analysed yet."
  end

  def test_a_checklist_keeps_notes_skips_and_order
    study = new_study
    analysed(study)
    visit "/studies/#{study[:id]}/checklists"
    click_button "Make the checklist"
    find("button[aria-expanded]", text: "Loudness").click
    fill_in "Your note", with: "mastered by ear"
    click_button "Save note"
    find("[role=radio]", text: "close").click

    assert_text(/1 close/)
    assert_selector "button", text: "Loudness · close note", normalize_ws: true
    click_button w(:skip)

    assert_text(/1 skipped/)
    assert_no_text(/1 close/)
    select "drums first", from: "Order of work"

    assert_text(/1 skipped/)
    fill_in "What else is to be done", with: "Lid on the four"
    click_button "Add it"
    find("summary", text: "In your own words").click
    fill_in "What is to be reached", with: "every second bar"
    click_button "Save text"

    assert_selector "td", text: "every second bar"
    fill_in "I have, in minutes", with: "30"

    assert_text(/\d+ min of work/)
    visit current_path

    assert_selector "button", text: "Loudness note", normalize_ws: true
    stages = all("tbody tr td:first-child").map(&:text).reject(&:empty?)

    assert_operator stages.index("Groove"), :<, stages.index("Chords and bass")
  end

  def test_everything_on_a_checklist_can_be_done_with_the_keyboard
    study = new_study
    analysed(study)
    visit "/studies/#{study[:id]}/checklists"
    click_button "Make the checklist"
    find("[role=checkbox]", match: :first).send_keys(:space)

    assert_selector "[role=checkbox][aria-checked=true]", count: 1
    find("button[aria-expanded]", match: :first).send_keys(:enter)

    assert_selector "h2", text: "How to do it"
    assert_text(/1 of \d+ done/)
  end

  def test_every_control_has_a_name
    study = new_study
    reference = analysed(study)
    ["/", "/studies/new", "/studies/#{study[:id]}", sheet_of(reference), "/studies/#{study[:id]}/profile", "/studies/#{study[:id]}/checklists"].each do |path|
      visit path
      find("h1", text: /./)
      nameless = page.evaluate_script(<<~SCRIPT)
        [...document.querySelectorAll("button, a, input, select, textarea, [role=checkbox], [role=slider]")]
          .filter((control) => !(control.innerText || control.ariaLabel || control.title || (control.labels && control.labels.length)).toString().trim())
          .map((control) => control.outerHTML.slice(0, 120))
      SCRIPT

      assert_empty nameless, path
    end
  end

  def test_text_is_readable_by_day_and_by_night
    reference = analysed(new_study)
    %w[day night].each do |theme|
      visit "/"
      page.execute_script("localStorage.setItem('ethoscope-theme', arguments[0])", theme)
      visit sheet_of(reference)
      find("h1", text: "Fixture")
      find("[data-testid=sheet]")

      assert_empty faint_texts, theme
    end
  end

  def test_night_lasts_and_keys_are_told
    visit "/"
    press "n"
    visit "/"

    assert_selector "html[data-theme=night]"
    press "?"

    assert_selector "[role=dialog]", text: "loop the section that plays"
    press :escape

    assert_no_selector "[role=dialog]"
    press "n"

    assert_selector "html[data-theme=day]"
  end

  def test_a_study_is_deleted_for_good_only_after_asking
    study = new_study(title: "Old")
    visit "/studies/#{study[:id]}"
    click_button w(:delete)
    find("summary", text: "#{w(:deleted)}: 1").click
    click_button "Delete Old permanently"
    within("[role=dialog]") { click_button w(:cancel) }

    assert_button "#{w(:restore)} Old"
    click_button "Delete Old permanently"
    within("[role=dialog]") { click_button w(:delete_for_good) }

    assert_no_text "#{w(:deleted)}: 1"
  end

  def test_addresses_that_lead_nowhere_lead_back
    expect_log(/404/)
    visit "/studies/99"

    assert_text "There is no such study."
    click_link "All studies", match: :first

    assert_selector "h1", text: "Studies"
    visit "/nowhere"

    assert_text "There is no page at this address."
  end

  private

  # Texts whose contrast against the first opaque ground behind them is under 4.5 to 1 (WCAG 2.1, 1.4.3).
  def faint_texts
    page.evaluate_script(<<~SCRIPT)
      (() => {
        const parse = (colour) => (colour.match(/[\\d.]+/g) || []).map(Number);
        const light = (colour) => parse(colour).slice(0, 3)
          .map((value) => value / 255)
          .map((value) => (value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4))
          .reduce((sum, value, index) => sum + value * [0.2126, 0.7152, 0.0722][index], 0);
        const ground = (element) => {
          for (let node = element; node; node = node.parentElement) {
            const colour = getComputedStyle(node).backgroundColor;
            if (colour.startsWith("rgb") && (parse(colour)[3] ?? 1) === 1) return colour;
          }
          return "rgb(255, 255, 255)";
        };
        const ratio = (a, b) => (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
        return [...document.querySelectorAll("main *, nav *, footer *")]
          .filter((element) => [...element.childNodes].some((node) => node.nodeType === 3 && node.textContent.trim()))
          .filter((element) => !element.closest("svg, :disabled, [aria-hidden]") && getComputedStyle(element).color.startsWith("rgb"))
          .filter((element) => ratio(light(getComputedStyle(element).color), light(ground(element))) < 4.5)
          .map((element) => element.outerHTML.slice(0, 120));
      })()
    SCRIPT
  end
end
