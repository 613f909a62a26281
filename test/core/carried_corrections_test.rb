# frozen_string_literal: true

require_relative "../test_helper"
require "csv"
require "midilib"

# What a person puts right reaches everything that rests on it: loop, cadences, profile, checklist and exports.
class CarriedCorrectionsTest < Ethoscope::TestCase
  Checklist = Ethoscope::Checklist

  def bar(number) = Fixture.analysis.fetch(:bars)[number - 1]

  def note(aspect, value, from:, to:, **rest)
    @ids = @ids.to_i + 1
    Sheet::SheetNote.new(id: @ids, aspect:, value:, from: bar(from)[:start], to: bar(to)[:end], source: "heard", state: "open", note: "", **rest)
  end

  def sheet(*notes) = Sheet::SongSheet.new(Fixture.analysis, notes)

  def song(*notes) = Fixture.song_of(sheet(*notes).settled)

  def items(*notes, **target) = Checklist::Plan.of_song(song(*notes), aim: "exact", wanted: target).items

  def chord(symbol, from, to = from, voicing: []) = note("chord", { symbol:, voicing: }, from:, to:)

  # The first verse is Am F C G twice over, so every F is a Dm now.
  def every_second_bar = [2, 10].map { |number| chord("Dm9", number) }

  def test_loops_follow_corrected_chords
    before = sheet.analysis.fetch(:loops).find { |loop| loop[:letters] == ["A"] }
    after = sheet(*every_second_bar).analysis.fetch(:loops).find { |loop| loop[:letters] == ["A"] }
    whole = sheet(*(1..16).map { |number| chord(number.odd? ? "Am" : "Dm", number) }).analysis

    assert_nil before || after, "four bars that come once are no loop"
    assert_equal [2, %w[Am Dm]], whole.fetch(:loop).values_at(:bars, :symbols)
    assert_equal(%w[i iv], whole.fetch(:loop)[:degrees])
    assert_equal Fixture.analysis.fetch(:loop), sheet.analysis.fetch(:loop)
  end

  def test_cadences_follow_corrected_chords
    assert_includes sheet(chord("E7", 4), chord("Am", 5)).analysis.fetch(:cadences), { kind: "authentic", bar: 4 }
  end

  def test_a_refuted_chord_is_no_part_of_a_loop
    notes = (1..16).map { |number| chord(number.odd? ? "Am" : "Dm", number) }
    refuted = notes.map { |heard| heard.value[:symbol] == "Dm" ? Sheet::SheetNote.new(**heard.to_h, state: "refuted", source: "measured") : heard }

    refute_includes sheet(*refuted).settled.fetch(:loop)&.fetch(:symbols).to_a, "Dm"
  end

  def test_the_profile_counts_degrees_and_loops_as_put_right
    degrees = song(*(1..16).map { |number| chord("F#m7b5", number) }).degree_bars

    assert_in_delta 16.0, degrees.values.sum, 0.3
    assert_equal 1, degrees.size
    profile = Profile::Builder.new([song(*(1..16).map { |number| chord(number.odd? ? "Am" : "Dm", number) })]).profile

    assert_equal([%w[i iv]], profile[:loops].map { |loop| loop[:degrees] })
  end

  def test_ninths_slash_basses_and_voicings_reach_the_checklist_transposed
    item = items(chord("Dm9/A", 1, voicing: %w[A2 F3 C4 E4]), chord("G13", 2)).find { |one| one.title.start_with?("Chords in") }

    assert_match(%r{\ADm9/A G13}, item.target)
    assert_includes item.steps, "Dm9/A as voiced: A2 F3 C4 E4."
    moved = items(chord("Dm9/A", 1, voicing: %w[A2 F3 C4 E4]), chord("N.C.", 2), key: Harmony::Key.named("C", "minor")).find { |one| one.title.start_with?("Chords in") }

    assert_match(%r{\AFm9/C }, moved.target)
    assert_includes moved.steps, "Fm9/C as voiced: C3 A♭3 E♭4 G4."
  end

  def test_they_reach_the_midi_file
    notes = midi(sheet(chord("Dm9/A", 1), chord("C/Bb", 2, voicing: %w[Bb2 E4 G4 C5]), chord("N.C.", 3)).settled)
    bar_ticks = 4 * 480

    assert_equal([0, 2, 4, 5, 9], notes[:chords][0].map { |pitch| pitch % 12 }.sort)
    # The ninth stands over the others.
    assert_equal 4, notes[:chords][0].max % 12
    assert_equal([46, 64, 67, 72], notes[:chords][bar_ticks])
    assert_equal([9, 10], [0, bar_ticks].map { |tick| notes[:bass][tick].first % 12 })
    assert_nil notes[:chords][2 * bar_ticks]
  end

  def test_a_chord_that_began_before_a_section_is_one_of_its_chords
    held = sheet(chord("Dm", 4, 6)).settled
    item = Checklist::Plan.of_song(Fixture.song_of(held), aim: "exact").items.select { |one| one.title.start_with?("Chords in") }[1]
    row = CSV.parse(Export::SectionsCsv.write(Fixture.exported(held)), headers: true)[1]

    assert_match(/\ADm /, item.target)
    assert_match(/\ADm /, row["chords"])
    assert_equal 5, held.fetch(:sections)[1][:first_bar]
  end

  def test_a_chord_of_the_pickup_that_goes_on_is_in_the_midi_file
    data = Fixture.analysis.to_h
    first = data[:chords].first.merge(bar: 0, beat: 4.0, beats: 5.0, symbol: "Em", degree: "v")
    notes = midi(Analysis.new(data.merge(chords: [first, *data[:chords].drop(1)])))

    assert_equal([4, 7, 11], notes[:chords][0].map { |pitch| pitch % 12 }.sort)
  end

  def test_cells_that_a_spreadsheet_would_reckon_with_are_text
    entries = [{ label: "=1+1", letter: "@A", start: 0.0 }, { label: "+drop", letter: "-", start: bar(9)[:start] }]
    rows = CSV.parse(Export::SectionsCsv.write(Fixture.exported(sheet(note("form", { entries: }, from: 1, to: 1)).settled)), headers: true)

    assert_equal([["'=1+1", "'@A"], ["'+drop", "'-"]], rows.map { |row| [row["label"], row["letter"]] })
  end

  def test_painted_layers_and_cards_reach_the_checklist
    made = items(bells, bass_card)
    of = %w[bells bass].map { |name| made.find { |item| item.about == "layer:#{name}" && item.stage == "Sounds" } }

    assert_equal ["dull bells; plays in 4 of 16 bars", "Try toy piano (have it).", "Try glass set."], [of[0].target, *of[0].steps.first(2)]
    assert_includes of[0].steps, "1. delay, dotted eighth, 20 % (width)"
    assert_match(/\Around and short; plays in \d+ of 16 bars\z/, of[1].target)
  end

  def test_marks_reach_the_checklist
    item = items(question).find { |one| one.title == "Question: second organ?" }

    assert_equal ["bars 3 to 4", "marks"], [item.target, item.from]
  end

  def test_painted_layers_cards_and_marks_reach_the_profile
    profile = Profile::Builder.new([song(bells, bass_card, question)]).profile

    assert_includes(profile[:layers][:roles].map { |row| row[:role] }, "texture")
    assert_equal ["dull bells"], profile[:sounds].find { |row| row[:name] == "texture" }[:sounds]
    assert_equal([["second organ?", 3]], profile[:marks].map { |mark| mark.values_at(:text, :first_bar) })
    assert_includes Checklist::Plan.of_profile([song(bells)]).items.map(&:title), "A sound for the texture"
  end

  def test_note_names_with_octaves
    { "C4" => 60, "Cb4" => 59, "B#3" => 60, "A♭3" => 56, "C-1" => 0, "F##2" => 43 }.each { |name, pitch| assert_equal pitch, Harmony::NoteName.parse(name), name }
    (21..108).each { |pitch| assert_equal pitch, Harmony::NoteName.parse(Harmony::NoteName.of(pitch, Harmony::Key.named("Gb", "major"))) }
    assert_raises(Errors::Unfit) { Harmony::NoteName.parse("H3") }
  end

  private

  def bells
    card = { sound: "dull bells", register: "C5 to C6", candidates: [{ text: "glass set", sure: 0.4 }, { text: "toy piano", sure: 0.9, cost: "have it" }],
             chain: [{ type: "delay", setting: "dotted eighth", amount: "20 %", why: "width" }] }
    note("layer", { name: "bells", role: "texture", spans: [[bar(5)[:start], bar(8)[:end], 3]], card: }, from: 1, to: 1)
  end

  def bass_card = note("layer", { name: "bass", role: "bass", spans: [], card: { sound: "round and short" } }, from: 1, to: 1)

  def question = note("mark", { type: "question", text: "second organ?" }, from: 3, to: 4)

  # Pitches by the pulse at which they start, of the chords and of the bass.
  def midi(analysis)
    sequence = MIDI::Sequence.new
    sequence.read(StringIO.new(Ethoscope::Export::SongMidi.write(Fixture.exported(analysis, "Song"))))
    chords, bass = sequence.tracks[1..].map do |track|
      track.events.grep(MIDI::NoteOn).select { |event| event.velocity.positive? }.group_by(&:time_from_start).transform_values { |events| events.map(&:note) }
    end
    { chords:, bass: }
  end
end
