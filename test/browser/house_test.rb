# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/browser_case"

# A house in which everything can be changed, found, thrown away and brought back.
class HouseTest < BrowserCase
  def test_the_reckoner_works_out_what_is_left_empty_and_pins_it_to_an_item
    study = new_study(target_bpm: 84.5)
    reference = analysed(study)
    list = Work::Planning.new(library, study).create(from: "reference", reference_id: reference[:id])
    visit "/studies/#{study[:id]}/reckoner?from=#{reference[:id]}&sentence=varispeed"

    assert_selector "tr", text: "Shift"
    fill_in "Tempo before, worked out when empty", with: "72"
    fill_in "Tempo after, worked out when empty", with: "96"

    assert_selector "tr", text: "+4 semitones 98 cents"
    fill_in "Shift, semitones, worked out when empty", with: "12"

    assert_selector "tr", text: "200.00 %"
    fill_in "Shift, semitones, worked out when empty", with: "high"

    assert_text "Shift must be a number"
    click_button "Delay times"
    fill_in "Tempo", with: "120"

    assert_selector "tr", text: "500.0 ms"
    select list[:items].first[:title], from: "Item to pin it to"
    click_button "Pin it"

    assert_text "Pinned to “#{list[:items].first[:title]}”."
    pinned_and_taken_off(study, list)
  end

  def test_a_study_is_edited_thrown_away_and_brought_back
    # The page may be asking how far the study's songs are when the study goes.
    expect_log(%r{studies/\d+/progress.*404})
    study = new_study(title: "Old")
    visit "/studies/#{study[:id]}"
    click_button "Edit"
    within("[role=dialog]") do
      fill_in "Title", with: "New"
      click_button w(:save)
    end

    assert_selector "h1", text: "New"
    click_button w(:delete)

    assert_link "Start the first study"
    find("summary", text: "#{w(:deleted)}: 1").click
    click_button "#{w(:restore)} New"

    assert_link "New"
  end

  def test_references_are_renamed_moved_thrown_away_and_brought_back
    study = new_study(title: "Here")
    other = new_study(title: "There")
    %w[First Second].each { |title| analysed(study, title) }
    visit "/studies/#{study[:id]}"
    choose_for("Second", "Move up")

    assert_equal(%w[Second First], library.references.of_study(study[:id]).map { |row| row[:title] }) if has_selector?("tbody tr:first-child", text: "Second")
    choose_for("Second", "Rename")
    fill_in "Title", with: "Renamed"
    click_button w(:save)

    assert_link "Renamed"
    choose_for("Renamed", "Copy to “There”")
    choose_for("First", w(:delete))

    assert_no_link "First"
    find("summary", text: "#{w(:deleted)}: 1").click
    click_button "#{w(:restore)} First"

    assert_link "First"
    assert_equal(["Renamed"], library.references.of_study(other[:id]).map { |row| row[:title] })
  end

  def test_the_palette_finds_songs_items_and_sentences
    study = new_study
    reference = analysed(study, "Wet Slate")
    Work::Planning.new(library, study).create(from: "reference", reference_id: reference[:id])
    visit "/"
    press "/"
    find("[cmdk-input]").send_keys("wet slate")
    find("[cmdk-item]", text: "song, Study").click

    assert_selector "h1", text: "Wet Slate"
    press "/"
    find("[cmdk-input]").send_keys("swing in % and ms")
    find("[cmdk-item]", text: "calculate: Swing in % and ms").click

    assert_selector "h1", text: "Reckoner"
    assert_field "Swing, %, worked out when empty"
  end

  def test_files_are_dropped_anywhere_and_go_on_while_one_is_elsewhere
    study = new_study
    visit "/studies/#{study[:id]}/techniques"
    find("main > div").drop(Fixture.wav)

    assert_selector "[role=status], nav a", text: /coming in|fixture/
    within("nav") { assert_link "fixture" }
    visit "/"
    find("main > div").drop(Fixture.wav)

    assert_text "1 file will come into it as soon as it is started."
    fill_in "Title", with: "From a drop"
    click_button "Start the study"

    within("nav") { assert_link "fixture" }
  end

  def test_settings_change_names_keys_and_volume_and_last
    reference = analysed(new_study)
    visit "/settings"
    within("[aria-label='Names of notes']") { click_on "sharps" }
    click_button "another key for night or day"
    press "u"

    assert_button "U: another key for night or day"
    visit sheet_of(reference)
    find("[data-testid=sheet]")
    press "u"

    assert_selector "html[data-theme=night]"
    assert_equal({ n: "u" }, library.settings.all[:keys])
    assert_equal "Fixture · The Fixtures · Ethoscope (home)", title
  end

  def test_words_have_a_page_and_an_example_study_can_be_looked_at
    visit "/words"
    fill_in "Search the words", with: "piano"

    assert_text "No such word here."
    fill_in "Search the words", with: "triplet"

    assert_selector "dt", text: "swing"
    visit "/"
    click_button "Look at an example"

    assert_selector "h1", text: "An example"
    within("nav") { assert_link "Marsh Telephone" }
  end

  def test_a_study_file_is_opened
    study = new_study(title: "Taken")
    analysed(study)
    path = File.join(folder, "taken.zip")
    Store::StudyFile.new(library).save(study, path)
    visit "/"
    attach_file "A study file", path, visible: :all

    assert_selector "h1", text: "Taken (2)"
    within("nav") { assert_link "Fixture" }
  end

  private

  def pinned_and_taken_off(study, list)
    visit "/studies/#{study[:id]}/checklists/#{list[:id]}?item=#{list[:items].first[:id]}"
    within("[aria-label=Calculated]") do
      assert_text "1/4 500.0 ms"
      click_button "Delete Delay times"
    end

    assert_no_selector "[aria-label=Calculated]"
  end

  def choose_for(title, action)
    click_button "What to do with #{title}"
    find("[role=menuitem]", text: action).click
  end
end
