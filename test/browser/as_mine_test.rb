# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/browser_case"

# The whole study in one's own tempo and key, and back.
class AsMineTest < BrowserCase
  def setup
    super
    @study = new_study(title: "Low Water")
    @reference = analysed(@study)
    @list = Work::Planning.new(library, @study).create(from: "reference", reference_id: @reference[:id])
    @song = library.song(@reference)
  end

  def test_everything_is_restated_at_84_5_in_another_key_and_back
    visit "/studies/#{@study[:id]}"
    theirs = what_the_sheet_says
    want("84.5", "C", "minor")
    mine = what_the_sheet_says

    assert_equal ["84.50 BPM", "C minor"], mine.values_at(:tempo, :key)
    assert_equal theirs[:degrees], mine[:degrees]
    assert_equal(theirs[:chords].map { |chord| Harmony::ChordSymbol.parse(chord).transpose(3, Harmony::Key.named("C", "minor")).to_s }, mine[:chords])
    assert_in_delta theirs[:seconds] * @song.bpm / 84.5, mine[:seconds], 0.2
    delays_swing_and_sections_follow
    the_clock_of_a_section_follows
    the_list_follows
    files_follow
    back_again(theirs)
  end

  def test_a_key_in_another_mode_is_told_openly
    visit sheet_of(@reference)
    want("", "C", "major")

    within("[aria-label='Shown as mine']") do
      assert_text "C major was asked for, but the song is minor: its tonic moves, its mode stays."
      click_button "What that changes"
    end
    within("[role=dialog]") do
      assert_selector "th", text: "Changed into C major"
      assert_selector "tr", text: "Am"
    end
  end

  def test_the_recording_is_heard_so_and_as_it_is
    visit sheet_of(@reference)
    want("110", "C", "minor")
    click_button "Play the recording like that"

    assert_button "whole, 110 %, +3 st"
    click_button "Hear it as it is"

    assert_button "whole", exact: true
  end

  def test_what_was_heard_is_put_right_as_theirs_only
    visit sheet_of(@reference)
    want("84.5", "C", "minor")
    find("[aria-label=Readings] button", text: "Key").click
    unfold(:tools)
    click_button "Take this key"

    assert_text "Switch to as theirs"
    within("[aria-label=Decide]") { click_button w(:confirm) }

    assert_selector "[aria-label=Readings] button", text: "confirmed"
  end

  private

  def want(bpm, tonic, mode)
    within("nav") { click_button "as mine" }
    within("[role=dialog]") do
      fill_in "Tempo of the new track, if known", with: bpm
      select tonic, from: "Key of the new track, if known"
      select mode, from: "Mode"
      click_button w(:save)
    end
    within("nav") { click_button "as mine" }

    assert_selector "[aria-label='Shown as mine']"
  end

  # Of the sheet, as it is shown.
  def what_the_sheet_says
    visit sheet_of(@reference)
    find("[data-testid=sheet]")
    size(1920, 1080)
    find("h1 ~ div span", text: /bars, \d:\d\d/)
    names = all("[data-testid=sheet] button[aria-label*=', bar ']").map { |button| button["aria-label"] }
    minutes, rest = find("header").text[/(\d+:\d+\.\d)/, 1].split(":")
    { tempo: find("[aria-label=Readings] button", text: "Tempo").text[/[\d.]+ BPM/], key: find("[aria-label=Readings] button", text: "Key").text[/[A-G]\S* (minor|major)/],
      chords: names.map { |name| name.split(", ").first }, degrees: names.map { |name| name.split(", ")[1] }, seconds: (minutes.to_i * 60) + rest.to_f }
  end

  # At 84.5 BPM a quarter is 60 / 84.5 s, a pair of sixteenths half of that, and a bar four of them.
  def delays_swing_and_sections_follow
    { "delay_times" => ["1/4", "710.1 ms"], "section_times" => ["Section 2, bars 5–8", "0:11.36 to 0:22.72"] }.each do |sentence, (name, figure)|
      visit "/studies/#{@study[:id]}/reckoner?from=#{@reference[:id]}&sentence=#{sentence}"

      assert_selector "tr", text: /#{name}.*#{figure}/
    end
    visit "/studies/#{@study[:id]}/reckoner?from=#{@reference[:id]}&sentence=swing"
    fill_in "Swing, %, worked out when empty", with: "58"

    assert_selector "tr", text: /late by.*28\.4 ms/
  end

  def the_clock_of_a_section_follows
    visit sheet_of(@reference)
    find("[data-testid=ruler] button", text: /from bar\s+5\b/).click
    start = library.analysis(@reference).fetch(:bars)[4][:start] * @song.bpm / 84.5

    within("[aria-label=Evidence]") { assert_text format("0:%04.1f to", start) }
  end

  def the_list_follows
    visit "/studies/#{@study[:id]}/checklists/#{@list[:id]}"

    assert_selector "tr", text: "84.50 BPM"
    assert_selector "tr", text: "Cm"
    assert_button "Undo"
    assert_equal "Undo: Another tempo or key", find_button("Undo")[:title]
  end

  def files_follow
    visit sheet_of(@reference)
    click_button w(:export)

    assert_selector "[role=menu]", text: "As mine: in the tempo and key of the new track."
    links = all("[role=menu] a").map { |link| link[:href] }

    assert(links.all? { |link| link.end_with?("?as=mine") })
    midi = Midi::ScoreReader.read(Net::HTTP.get(URI(links.find { |link| link.include?("/song.mid") })))

    assert_in_delta 84.5, midi.tempos.first.bpm, 0.01
    press :escape
  end

  def back_again(theirs)
    within("nav") { click_button "as theirs" }

    assert_no_selector "[aria-label='Shown as mine']"
    assert_equal theirs, what_the_sheet_says
    visit "/studies/#{@study[:id]}/checklists/#{@list[:id]}"

    assert_selector "tr", text: theirs[:tempo]
  end
end
