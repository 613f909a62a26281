# frozen_string_literal: true

require_relative "../test_helper"

# A producer drops bounces, hears them beside the record, and sees what came closer.
class AttemptsBrowserTest < BrowserCase
  CHORDS = [%w[Am F C G], %w[Dm E7]].freeze

  def setup
    super
    @study = new_study(aim: "exact")
    @reference = analysed(@study, "Old Song")
    @list = Work::Planning.new(library, @study).create(from: "reference", reference_id: @reference[:id])
    visit "/studies/#{@study[:id]}/attempts"
  end

  # The fixture's band again, in another tempo, with other chords at the end.
  def bounce(name, bpm:, last:)
    band = Band.new(bpm:)
    band.bars(4, chords: CHORDS[0], **Band::BACKBEAT).bars(4, chords: CHORDS[1], gain: 1.6, wide: true, **Band::BACKBEAT)
    band.bars(4, chords: CHORDS[0], **Band::BACKBEAT).bars(4, chords: last, gain: 1.6, wide: true, **Band::BACKBEAT)
    SoundFile.write(band.recording, File.join(folder, name))
  end

  # The fixture's sound with an analysis of its own, which another study knows already: nothing has to be heard.
  def known(analysis)
    reference = analysed(new_study(title: "Another study"), "Known", analysis)
    library.recordings.path(library.recordings.find(reference[:recording_id]))
  end

  def drop(path, title)
    attach_file("Bounce of your track", path, make_visible: false)

    assert_selector "h1", text: title, exact_text: true
    assert_selector "[data-testid=two-inks]", wait: 60
  end

  def items
    within("[aria-label='What differs']") { find("[aria-label=List] button", text: "Items").click }
  end

  def item(title) = find("[aria-label=Items] > li", text: title)

  def heard = find("[aria-label='Which is heard'] [data-state=on]").text

  # The bars in which it differs most, and how they sound in both.
  def assert_worst_bar_heard(why)
    find("[aria-label=List] button", text: "Worst bars").click
    within("[aria-label='Worst bars']") { find("li:first-child button", text: why).click }

    assert_selector "[data-playing=true]"
    assert_equal "reference", heard
    assert_text(/Matched in loudness: yours −?\d/)
    press "a"

    assert_equal "yours", heard
    assert_selector "[data-playing=true]"
    assert_operator find("[data-testid=place]").text.to_i, :>=, 13
    press :space
  end

  # What a difference is seen in, of both songs.
  def assert_evidence(words)
    find("[aria-label='What differs'] button", text: words).click

    assert_selector "figure", text: /tempo by bar, .* BPM/
    assert_selector "figure svg rect", minimum: 20
    click_button "Back to the list"
  end

  # Of both, what is struck: they are parted in the background first.
  def assert_part_of_both_heard(part)
    press "p"
    find("[role=radio]", text: part).click

    assert_selector "button:not([role=radio])", text: part, wait: 90
    songs = library.references.all_of_study(@study[:id])

    assert_equal(%w[done done], songs.map { |song| library.separations.find(song[:recording_id])[:state] })
    find("[role=radio]", text: "whole").click
    press "p"
  end

  # A person says otherwise, and takes that back.
  def assert_overruled(title)
    within(item(title)) do
      assert_text "missing"
      find("button").click
      select "substituted", from: "How close it is"
      fill_in "Why", with: "It is meant to run."
      click_button "Save verdict"

      assert_text "substituted, you say"
      click_button "measure it again"

      assert_text "missing"
    end
  end

  def test_a_bounce_is_laid_on_the_record_heard_beside_it_and_judged
    assert_text "Drop a bounce of your own track here."
    drop(bounce("one.wav", bpm: 106, last: %w[F C]), "Attempt 1")

    assert_selector "[aria-label=Attempts] [aria-current=page]", text: /\d exact/
    assert_text(/against Old Song, bar for bar; yours at 106\.\d\d BPM, in its key/)
    assert_text "Yours is faster: 106.00 BPM, not 100.00 BPM."

    assert_evidence("Yours is faster")
    assert_worst_bar_heard(/instead of/)
    assert_part_of_both_heard("drums")
    items

    assert_overruled("Tempo holds")
    click_link "On paper"

    assert_selector "article h2", text: "Attempt 1 against Old Song"
    assert_selector "article", text: "Set the tempo to 100.00 BPM."
    assert_selector "article li", text: /Tempo holds.*missing/m
    click_link "Back to the attempt"

    assert_selector "[data-testid=two-inks]"
  end

  def done = library.checklists.of_study(@study[:id]).first[:done]

  # Back to the list as it was with the first one, and forth again.
  def assert_restored_and_undone(attempt)
    click_link(text: attempt)
    click_button "Checklist of then"
    within("[role=dialog]") { click_button "Put it back" }
    find("[data-testid=done] button", text: w(:undo))

    assert_equal 0, done
    find("[data-testid=done] button", text: w(:undo)).click

    assert_no_selector "[data-testid=done]"
    page.document.synchronize(5, errors: [Minitest::Assertion]) { assert_equal 1, done }
  end

  def test_the_next_bounce_comes_closer_in_one_thing_and_drifts_away_in_another
    narrow = Fixture.analysis.fetch(:bars).map { |bar| bar.merge(width: 0.0) }
    drop(known(Fixture.varied(tempo: Fixture.tempo(106.0))), "Attempt 1")
    library.items.update(@list[:items].first[:id], { result: "exact" })
    drop(known(Fixture.varied(bars: narrow)), "Attempt 2")
    items

    assert_selector "[aria-label=Items] > li", text: /Tempo holds.*exact ▲/m
    assert_selector "[aria-label=Items] > li", text: /Stereo width.*missing ▽/m
    assert_restored_and_undone("Attempt 1")
    refresh

    assert_selector "[aria-label=Attempts] li", count: 2
    assert_selector "[data-testid=two-inks]"
    visit "/studies/#{@study[:id]}/checklists/#{@list[:id]}"

    assert_selector "tr", text: /Tempo holds.*exact/m
  end

  def test_it_may_be_held_against_the_style_of_all_songs_or_looked_at_beside_another_attempt
    analysed(@study, "New Song", Fixture.varied(tempo: Fixture.tempo(104.0)))
    refresh
    drop(known(Fixture.analysis), "Attempt 1")
    drop(known(Fixture.varied(tempo: Fixture.tempo(120.0))), "Attempt 2")
    select "attempt 1", from: "What it is held against"

    assert_text(/against Attempt 1, bar for bar/)
    assert_text "Yours is faster: 120.00 BPM, not 100.00 BPM."
    assert_no_selector "[aria-label=List] button", text: "Items"
    select "the style of 2 songs", from: "What it is held against"

    within("[data-testid=style-sheet]") { assert_selector "tr", text: /Between 100.0 and 104.0 BPM.*At 120.0 BPM.*16.0 BPM off.*2 of 2/m }
    assert_selector "h1 + p", text: "in the style of 2 songs"
    select "Old Song", from: "What it is held against"

    assert_selector "[data-testid=two-inks]"
  end

  def test_notes_alone_make_an_attempt_and_of_several_sounds_one_says_what_they_are
    path = File.join(folder, "song.mid").tap { |file| File.binwrite(file, StemFiles.score) }
    attach_file("Bounce of your track", path, make_visible: false)

    assert_selector "[aria-label=Attempts] li", text: /Attempt 1.*\d exact/m, wait: 90
    assert_text(/16 of 16 bars aligned/)
    attach_file("Bounce of your track", [known(Fixture.varied(tempo: Fixture.tempo(104.0))), path], make_visible: false)

    assert_selector "[aria-label=Attempts] li", text: "Attempt 2"
    two = %w[one.wav two.wav].map { |name| File.join(folder, name).tap { |file| File.binwrite(file, StemFiles.kick) } }
    attach_file("Bounce of your track", two, make_visible: false)

    assert_text "2 files: what are they?"
    click_button "Cancel"

    assert_no_text "what are they?"
  end

  def test_what_is_taken_away_comes_back_and_a_stranger_is_told
    file = known(Fixture.analysis)
    drop(file, "Attempt 1")
    click_button w(:delete)

    assert_selector "[data-testid=done]", text: "Attempt 1"
    click_button w(:undo), exact: true

    assert_selector "[aria-label=Attempts] li", text: "Attempt 1"
    expect_log(/409/)
    attach_file("Bounce of your track", file, make_visible: false)

    assert_text "You dropped this very file before: it is attempt 1"
  end
end
