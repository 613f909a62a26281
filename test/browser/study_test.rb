# frozen_string_literal: true

require_relative "../test_helper"

# Studies, profile and checklists, and what they say when something is missing or wrong.
class StudyTest < BrowserCase
  def test_a_study_needs_a_title_and_says_so_beside_the_field
    expect_log(/422/)
    visit "/studies/new"
    click_button "Start the study"

    assert_selector "[role=alert]", text: "Title must be filled."
    fill_in "Title", with: "Low Water"
    find("[role=radio][aria-label='Exact remake']").click
    fill_in "Tempo of the new track, if known", with: "72,5"
    click_button "Start the study"

    assert_selector "h1", text: "Low Water"
    assert_text "exact remake; new track in 72.50 BPM"
  end

  def test_files_that_cant_be_used_say_why_and_others_go_in
    expect_log(/422/)
    visit "/studies/#{new_study[:id]}"
    File.write(note = File.join(folder, "diary.wav"), "Dear diary")
    attach_file "Sound files", [note, Fixture.wav], visible: :all

    assert_selector "li", text: "diary.wav This is not a sound file that Ethoscope can read.", normalize_ws: true
    assert_link "fixture", wait: 20
    click_button "Put aside"

    assert_no_text "diary.wav"
  end

  def test_a_failed_analysis_says_why_and_offers_the_next_step
    silent = Ethoscope::Audio::Recording.new(channels: Numo::SFloat.zeros(1, 44_100 * 6), rate: 44_100)
    visit "/studies/#{new_study[:id]}"
    attach_file "Sound files", SoundFile.write(silent, File.join(folder, "silent.wav")), visible: :all

    assert_text "The recording is silent.", wait: 30
    assert_button "Try again"
    click_button "Remove"

    assert_text "Drop a recording here"
  end

  def test_the_profile_says_what_songs_share
    study = new_study
    %w[A D E].each { |tonic| analysed(study, "In #{tonic}", Fixture.varied(key: Fixture.key(tonic, "minor"), tempo: Fixture.tempo(72.0))) }
    analysed(study, "The Other", Fixture.varied(key: Fixture.key("C", "major"), tempo: Fixture.tempo(100.0), meter: "6/8"))
    visit "/studies/#{study[:id]}/profile"

    assert_text "Minor is home."
    assert_text "3 of 4 songs"
    assert_text "The Other is the outlier: tempo, meter and mode", normalize_ws: true
    click_link "Turn into targets"
    click_button "Make the checklist"

    assert_text "In the style of 4 songs"
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
    click_button "Keep the note"
    click_button "Skip it"

    assert_text(/1 skipped/)
    find("[role=radio]", text: "drums first").click

    assert_text(/1 skipped/)
    visit current_path

    assert_selector "button", text: "Loudness note", normalize_ws: true
    stages = all("tbody tr td:first-child").map(&:text).reject(&:empty?)

    assert_operator stages.index("Groove"), :<, stages.index("Chords and bass")
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

  def test_a_study_is_deleted_only_after_asking
    study = new_study(title: "Old")
    visit "/studies/#{study[:id]}"
    click_button "Delete"
    click_button "Keep it"

    assert_selector "h1", text: "Old"
    click_button "Delete"
    click_button "Delete the study"

    assert_link "Start the first study"
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
end
