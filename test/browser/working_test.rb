# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/browser_case"

# Working with a checklist for days: put in order, taken apart, timed, settled, and taken along on paper.
class WorkingJourneyTest < BrowserCase
  def setup
    super
    @study = new_study(aim: "exact")
    @reference = analysed(@study)
    visit "/studies/#{@study[:id]}/checklists"
    click_button "Make the checklist"
    find("h1", exact_text: "Checklist")
  end

  def list = library.checklists.find(library.checklists.of_study(@study[:id]).first[:id])

  def item(title) = list[:items].find { |one| one[:title] == title }

  def open_item(title) = find("button[aria-expanded=false]", text: title).click

  def titles = all("button[aria-expanded]").map(&:text)

  def test_a_list_is_edited_reordered_split_timed_settled_undone_and_printed
    edit_and_reorder
    split_and_join
    let_the_box_end
    substitute_and_undo
    take_the_new_target
    on_paper_and_again
  end

  def test_one_listens_to_the_bars_of_an_item
    open_item "Bass in the chorus"
    click_button "Listen to bars 5–8, low end"

    assert_button "Stop listening"
    click_button "Stop listening"

    assert_button "Listen to bars 5–8, low end"
  end

  def test_lists_are_renamed_copied_and_deleted
    visit "/studies/#{@study[:id]}/checklists"
    click_button "Rename Fixture"
    fill_in "Name of the checklist", with: "Second bounce"
    click_button "Save name"

    assert_link "Second bounce"
    click_button "Copy Second bounce"

    assert_link "Second bounce, copy"
    click_button "Delete Second bounce"

    assert_no_link "Second bounce", exact: true
    assert_link "Second bounce, copy"
    find("summary", text: "#{w(:deleted)}: 1").click
    click_button "#{w(:restore)} Second bounce"

    assert_link "Second bounce", exact: true
  end

  private

  def edit_and_reorder
    open_item "Loudness"
    find("summary", text: "In your own words").click
    fill_in w(:tolerance), with: "±2 LU"
    click_button "Save text"

    assert_selector "td", text: "±2 LU"
    find("summary", text: "Move, split, join").click
    click_button "Earlier"

    assert_select "Order of work", selected: "an order of your own"
    before = titles.index { |title| title.start_with?("Loudness") }
    find("h1").click
    press %i[shift up]

    assert_selector "tbody tr:nth-of-type(#{before}) button[aria-expanded]", text: "Loudness"
    press "k"
    click_button "Undo"
  end

  def split_and_join
    open_item "Section lengths"
    find("summary", text: "Move, split, join").click
    fill_in "A new item from step", with: "3"
    click_button "Split it there"

    assert_selector "button", text: "Section lengths, part 2"
    click_button "Join with the next"

    assert_no_selector "button", text: /\ASection lengths, part 2/
    assert_selector "button", text: "Section lengths, part 1; Section lengths, part 2"
  end

  # The box is let end by a clock that was started long ago.
  def let_the_box_end
    open_item "Kick throughout"
    click_button "Start the clock"
    find("button", text: "Stop the clock")
    library.db[:items].where(id: item("Kick throughout")[:id]).update(started_at: (Time.now - 3600).utc.iso8601(3))
    visit current_path
    open_item "Kick throughout"

    within("[role=alertdialog]") { assert_text w(:time_up) }
  end

  def substitute_and_undo
    click_button "Substitute"

    assert_selector "button", text: "Kick throughout · substituted"
    fill_in w(:reason), with: "no such drum"
    find("h2", text: "How to do it").click
    find("button:enabled", text: "Undo").click
    click_button "Undo"

    assert_no_selector "button", text: "Kick throughout · substituted"
    click_button "Redo"

    assert_selector "button", text: "Kick throughout · substituted"
  end

  def take_the_new_target
    put_tempo_right(50.0)
    visit current_path
    open_item "Tempo holds to the end"
    click_button "Use the new target"

    assert_selector "td", text: "50.00 BPM"
  end

  def on_paper_and_again
    click_link "Print"

    assert_selector "h2", text: "Fixture"
    assert_selector "svg[aria-label^='Kick throughout']"
    assert_selector "svg[aria-label^='Bass in the verse']"
    assert_text "substituted"
    click_link "Back to the list"
    click_link "Logbook", match: :first

    assert_selector "td", text: "Kick throughout Fixture"
    assert_selector "td", text: "substituted"
    visit "/studies/#{@study[:id]}/checklists/#{list[:id]}"

    assert_selector "button", text: "Section lengths, part 1; Section lengths, part 2"
    assert_selector "td", text: "±2 LU"
    assert_selector "td", text: "50.00 BPM"
  end
end
