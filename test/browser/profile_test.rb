# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/browser_case"

# What the songs of a study share: told beside other music, without a song, beside another study, and turned into targets.
class ProfileJourneyTest < BrowserCase
  def test_the_profile_says_what_songs_share_beside_other_music_and_turns_rows_into_targets
    study = four_songs
    visit "/studies/#{study[:id]}/profile"

    assert_selector "td", text: "At 72.0 BPM"
    assert_text "The Other lacks what all others have"
    click_button "Set it aside"

    assert_text(/\d+ of \d+ that is said/)
    assert_selector "tr", text: /In minor.*3 of 3/m
    all("[aria-label^='Turn into a target']").first(3).each(&:click)
    click_button "Turn 3 rows into targets"

    assert_selector "h1", text: "Checklist"
    assert_selector "td", text: "as in 3 of 3 songs", count: 3
  end

  def test_a_song_is_set_aside_with_one_key_and_comes_back
    study = four_songs
    visit "/studies/#{study[:id]}/profile"
    find_field("How In A counts").send_keys("a")

    assert_text "Not counted"
    select "core", from: "How In A counts"

    assert_no_text "Not counted"
  end

  def test_two_studies_stand_side_by_side
    study = four_songs
    other = new_study(title: "Beside it")
    %w[C F].each { |tonic| analysed(other, "In #{tonic}", Fixture.varied(key: Fixture.key(tonic, "major"), tempo: Fixture.tempo(120.0))) }
    visit "/studies/#{study[:id]}/profile"
    click_link w(:compare_studies)

    assert_selector "th", text: "Beside it, 2 songs"
    assert_selector "tr", text: /At 72.0 BPM.*3 of 4.*0 of 2/m
  end

  def test_what_a_song_is_about_is_said_on_the_study
    study = four_songs
    visit "/studies/#{study[:id]}"
    click_button "About In A"
    fill_in "A word", with: "water"
    click_button "Add the word"
    fill_in "Who did what", with: "Organ: M. Venn"
    fill_in "Who says so", with: "the sleeve"
    click_button "Add the credit"

    assert_selector "[role=dialog] li", text: "Organ: M. Venn"
    click_button "Close"

    assert_selector "button[aria-label$='about In A']", text: "water, Organ: M. Venn"
  end

  private

  def four_songs
    study = new_study
    %w[A D E].each { |tonic| analysed(study, "In #{tonic}", Fixture.varied(key: Fixture.key(tonic, "minor"), tempo: Fixture.tempo(72.0))) }
    analysed(study, "The Other", Fixture.varied(key: Fixture.key("C", "major"), tempo: Fixture.tempo(100.0), meter: "6/8"))
    study
  end
end
