# frozen_string_literal: true

require_relative "../test_helper"
%w[songs score renderer].each { |file| require_relative "../../demo/#{file}" }

# A producer adds what tells more than the mix, rebuilds a layer, and decides about techniques; a new measurement changes none of it.
class EnsembleBrowserTest < BrowserCase
  DEMO = File.expand_path("../../demo", __dir__)
  PATIENT = 180

  def test_stems_and_midi_lead_a_card_is_filled_techniques_are_decided_and_all_stays
    import_the_song
    add_stems
    add_midi
    fill_a_card
    find_it_among_the_sounds
    decide_about_techniques
    measure_again

    find_all_as_it_was_left
  end

  def test_broken_files_are_told_by_name_and_harm_nothing
    open_sheet
    expect_log(/422/)
    click_button "Add stems"
    attach_file "Stem and MIDI files", broken_files, make_visible: true

    assert_text(/letter\.mid: This is not a MIDI file/)
    assert_text(/letter\.wav: This is not a sound file/)
    assert_text "none yet", count: 2
    assert_selector "button[aria-pressed]", text: "kick"
  end

  def test_a_role_that_was_guessed_wrong_is_put_right
    open_sheet
    click_button "Add stems"
    attach_file "Stem and MIDI files", [written("Audio 3.wav", StemFiles.kick)], make_visible: true

    assert_text "from the mix's start", wait: PATIENT
    assert_equal "texture", find_field("Role of Audio 3").value
    select "kick", from: "Role of Audio 3"

    assert_selector "[data-testid=sheet] button[title='Audio 3, measured on its stem']", wait: PATIENT
    click_button "Remove Audio 3"

    within("[role=dialog]") { click_button "Remove the stem" }

    assert_no_selector "[data-testid=sheet] button[title='Audio 3, measured on its stem']", wait: PATIENT
  end

  def test_layers_by_section_and_the_techniques_in_ones_own_words
    open_sheet
    click_link "Layers"
    within("table") { click_button "kick" }

    assert_selector "aside h2", text: "kick"
    click_link "Techniques"
    click_button "Riser", match: :first
    click_button "Change the words"
    fill_in "Name", with: "Kettle coming to the boil"
    click_button "Save text"

    assert_selector "h2", text: "Kettle coming to the boil"
    fill_in "Name of a technique of your own", with: "Lid on the four"
    click_button "Add"

    assert_selector "section[aria-label=own] button", text: "Lid on the four"
  end

  def test_a_song_without_a_mix_is_put_together_from_its_notes
    study = new_study
    visit "/studies/#{study[:id]}"
    expect_log(/422/)
    click_button "From stems or MIDI"
    fill_in "Song", with: "Ferry notebook"
    attach_file "Stems or MIDI", [written("ferry.mid", StemFiles.score), *broken_files.last(1)], make_visible: true
    click_button "Put it together"

    assert_text(/letter\.wav: This is not a sound file/, wait: PATIENT)
    click_button "Continue without it"
    within("table") { click_link "Ferry notebook", wait: PATIENT }

    assert_selector layer("Keys", "read from the MIDI file"), wait: PATIENT
  end

  private

  def import_the_song
    @reference = File.open(File.join(DEMO, "audio", "marsh_telephone.ogg"), "rb") { |file| library.import(new_study[:id], file, "marsh_telephone.ogg") }
    bulletin.publish
    visit sheet_of(@reference)

    assert_selector "[aria-label=Readings]", wait: PATIENT
  end

  def add_stems
    click_button "Add stems"
    attach_file "Stem and MIDI files", %w[kick reed].map { |name| File.join(DEMO, "stems", "marsh_telephone", "#{name}.ogg") }, make_visible: true

    assert_text "from the mix's start", count: 2, wait: PATIENT
    select "lead", from: "Role of reed"

    assert_selector layer("kick", "measured on its stem"), wait: PATIENT
    assert_selector layer("reed", "measured on its stem"), wait: PATIENT
    assert_selector layer("hats", "measured on the mix")
  end

  def add_midi
    song = Demo::Songs::ALL.find { |one| one[:name] == "marsh_telephone" }
    FileUtils.mkdir_p(File.join(folder, "scores"))
    Demo::Renderer.new(song, folder).write_score
    attach_file "Stem and MIDI files", File.join(folder, "scores", "marsh_telephone.mid"), make_visible: true

    assert_text(/Bar 1 of the file lies at 0\.2\d s/, wait: PATIENT)
    assert_selector layer("kick", "read from the MIDI file")
    assert_text(/chords\s*the MIDI file, before the mix/)
    find(layer("kick", "read from the MIDI file")).click

    assert_text "measured on its stem"
    assert_text(/In its notes/)
  end

  def fill_a_card
    find(layer("reed", "read from the MIDI file")).click
    click_button "Paint it and fill its card"
    fill_in "Sound", with: "breathy reed"
    click_button "substitute"
    fill_in "What is lost", with: "the rattle of the keys"
    click_button "Another candidate"
    fill_in "Candidate 1", with: "toy organ"
    click_button "Keep the card"

    assert_no_text "not saved"
    assert_field "What is lost", with: "the rattle of the keys"
  end

  def find_it_among_the_sounds
    click_link "Sounds"

    within("section[aria-label=Substituted]") { assert_text(/reed.*breathy reed.*toy organ.*the rattle of the keys/m) }
    click_link "Marsh Telephone", match: :first
  end

  def decide_about_techniques
    find("[data-testid=sheet] button[aria-label*='Drums drop out']", match: :first).click

    assert_text "pieces of the kit struck, by beat"
    assert_text(/Find the last 4 beats before the section/)
    click_button w(:confirm), match: :first

    assert_text "confirmed"
    find("[data-testid=sheet] button[aria-label*='A narrow section']", match: :first).click
    click_button w(:wrong), match: :first

    assert_text "wrong"
    press "t"
    fill_in "What happens?", with: "Slap echo"
    fill_in "From bar", with: "11"
    fill_in "To bar", with: "12"
    click_button "Note it"

    assert_text "heard by you"
    assert_text(/80 to 120 ms/)
  end

  def measure_again
    runs = library.db[:analyses].where(corrections: nil).count
    page.execute_script("fetch('/api/references/#{@reference[:id]}/analyses', { method: 'POST', headers: { 'content-type': 'application/json' }, body: '{}' })")
    wait_until { library.db[:analyses].where(corrections: nil, state: "done").count > runs }
    wait_until { library.derivation(@reference)&.fetch(:state) == "done" }
    visit sheet_of(@reference)
  end

  def find_all_as_it_was_left
    assert_selector layer("kick", "read from the MIDI file"), wait: PATIENT
    find("[data-testid=sheet] button[aria-label*='Drums drop out']", match: :first).click

    assert_text "confirmed"
    assert_selector "[data-testid=sheet] button[aria-label$='wrong']"
    assert_selector "[data-testid=sheet] button[aria-label*='Slap echo, bars 11–12']"
    click_link "Sounds"

    within("section[aria-label=Substituted]") { assert_text "toy organ" }
  end

  def layer(name, source) = "[data-testid=sheet] button[title='#{name}, #{source}']"

  def broken_files = [written("letter.mid", "Dear sir"), written("letter.wav", "Dear sir")]

  def written(name, bytes) = File.join(folder, name).tap { |path| File.binwrite(path, bytes) }

  def wait_until
    edition = bulletin.edition
    deadline = Process.clock_gettime(Process::CLOCK_MONOTONIC) + PATIENT
    until yield
      flunk "waited too long" if Process.clock_gettime(Process::CLOCK_MONOTONIC) > deadline
      edition = bulletin.wait(edition, 1)
    end
  end
end
