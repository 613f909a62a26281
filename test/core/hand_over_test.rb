# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/demo_songs"
require_relative "../support/second_reader"

# What is taken away of a song, read back by readers that are not ours: Python's, an engraver, and another library for MIDI.
class HandOverTest < Ethoscope::TestCase
  def setup
    @name = DemoSongs::NAMES.first
    @analysis = DemoSongs.sheets.fetch(@name)
    @song = Fixture.exported(@analysis, "Wet ♭ Slate")
    @vector = @song.vector
    @meter = Rhythm::Meter.named(@vector.value("time.meter"))
  end

  def test_midi_has_tempo_meter_key_markers_and_a_track_for_everything_that_plays
    file = SecondReader.midi(Export::SongMidi.write(@song))

    assert_in_delta @vector.bpm * @meter.quarters_per_beat, file[:tempos].first[:bpm], 0.01
    assert_equal [@meter.numerator, @meter.denominator, (24 * @meter.quarters_per_beat).round], file[:meters].first.values_at(:numerator, :denominator, :clocks)
    assert_equal(@vector.of("form.section").map { |told| (told.place.first_bar - 1) * @meter.beats * @meter.quarters_per_beat }, file[:markers].map { |marker| marker[:at] })
  end

  def test_every_note_of_every_track_ends
    tracks = SecondReader.midi(Export::SongMidi.write(@song))[:tracks]

    assert_equal %w[Chords Bass], tracks.map { |track| track[:name] }.first(2)
    assert_includes(tracks.map { |track| track[:name] }, "Drums: kick")
    assert_equal(tracks.map { |track| track[:ons] }, tracks.map { |track| track[:offs] })
  end

  def test_midi_of_another_tempo_and_key_has_those
    to = Measures::Restatement.of(@vector, bpm: 84.5, key: @vector.key.transpose(3))
    before, after = [@vector, @vector.restated(to)].map { |vector| SecondReader.midi(Export::SongMidi.write(Export::Handout.new(title: "x", analysis: @analysis, vector:))) }

    assert_in_delta 84.5 * @meter.quarters_per_beat, after[:tempos].first[:bpm], 0.01
    assert_equal before[:tracks].find { |track| track[:name] == "Bass" }[:pitches].map { |pitch| pitch + 3 }, after[:tracks].find { |track| track[:name] == "Bass" }[:pitches]
  end

  def test_midi_beside_the_audio_begins_where_the_recording_does
    first = @analysis.fetch(:bars).first[:start]
    song = Export::Handout.new(title: "x", analysis: @analysis, vector: @vector, first_bar_at: first)
    file = SecondReader.midi(Export::BesideAudioMidi.write(song))

    assert_in_delta first, file[:markers].first[:seconds], 0.002
    last = @analysis.fetch(:sections).last

    assert_in_delta last[:start], file[:markers].last[:seconds], 0.06
  end

  def test_a_lead_sheet_is_engraved_with_all_bars_chords_and_sections
    # One in four, one in six.
    DemoSongs.sheets.slice(DemoSongs::NAMES.first, DemoSongs::NAMES.find { |name| DemoSongs.sheets[name].fetch(:meter) == "6/8" }).each do |name, analysis|
      song = Fixture.exported(analysis, name)
      told = SecondReader.music_xml(Export::LeadSheetXml.write(song))

      refute_equal false, told[:read], name
      assert_equal analysis.fetch(:sections).size, told[:marks], name
      assert_operator told[:notes], :>, 100, name
      assert_operator told[:svg], :>, 10_000, name
      assert_operator told[:measures], :<=, analysis.bars
      refute_equal [true, 0], [told[:measures] < analysis.bars, told[:repeats]], name
    end
  end

  def test_a_lead_sheet_says_each_chord_as_the_song_has_it
    chords = SecondReader.xml_chords(Export::LeadSheetXml.write(@song))
    written = @vector.of("harmony.chords").flat_map { |told| told.value.map { |chord| chord[:symbol] } }

    assert_equal written.uniq.sort, chords.map { |chord| chord[:text] }.uniq.sort
    assert_includes chords.map { |chord| chord[:kind] }, "minor"
  end

  def test_tables_are_read_as_they_were_written
    { Export::SectionsCsv => "form.section", Export::LayersCsv => "layers.plays" }.each do |writer, measure|
      rows = SecondReader.csv(writer.write(@song))

      assert_equal @vector.of(measure).size, rows.size, writer.name
    end
    rows = SecondReader.csv(Export::ChordsCsv.write(@song))

    assert_equal @vector.of("harmony.chords").sum { |told| told.value.size }, rows.size
    assert_equal @vector.of("harmony.chords").first.value.first[:symbol], rows.first[:chord]
    assert_includes SecondReader.csv(Export::TechniquesCsv.write(@song)).map { |row| row[:name] }, "A bell here."
  end

  def test_text_from_outside_is_no_formula_no_markup_and_no_line_of_its_own
    evil = "=HYPERLINK(1)\t|x|\n**b**"
    notes = [DemoSongs.note("mark", { type: "idea", text: evil }, @analysis.fetch(:bars)[2], @analysis.fetch(:bars)[3])]
    song = Fixture.exported(Sheet::SongSheet.new(Analysis.from_h(DemoSongs.results.fetch(@name).first), notes).settled, evil)

    assert_includes SecondReader.csv(Export::TechniquesCsv.write(song)).map { |row| row[:name] }, "'#{evil}"
    assert_equal Export::Labels.write(song).lines.size, @vector.of("form.section").size + song.vector.of("techniques.technique").size + 1
    assert_includes Export::SongMarkdown.write(song), "=HYPERLINK(1)\t\\|x\\| \\*\\*b\\*\\*"
    assert SecondReader.music_xml(Export::LeadSheetXml.write(song))[:read]
  end

  def test_labels_say_seconds_of_the_recording
    first = Export::Labels.write(@song).lines.first.split("\t")

    assert_in_delta @analysis.fetch(:bars).first[:start], first.first.to_f, 0.001
    assert_equal 3, first.size
  end

  def test_the_archive_holds_every_format
    names = SecondReader.zip(Export::Archive.write(@song))

    assert_equal Export::Formats.of(:song).map(&:file) - ["song.zip"], names
  end

  def test_chords_are_led_by_their_voices
    symbols = %w[Fm D♭ A♭ E♭/G N.C. C7].map { |text| Harmony::ChordSymbol.parse(text) }
    led = Harmony::VoiceLeading.of(symbols)

    assert_empty led[4]
    symbols.zip(led).reject { |symbol, _| symbol.none? }.each { |symbol, pitches| assert_equal symbol.pitch_classes.sort, pitches.map { |pitch| pitch % 12 }.sort }
    # F minor to D♭: two notes stay, one moves by a semitone.
    assert_equal 1, (led[0] - led[1]).size
    assert(led.flatten.all? { |pitch| Harmony::VoiceLeading::RANGE.cover?(pitch) })
  end

  def test_notes_are_written_in_lengths_that_have_a_sign_and_tied_over_bar_lines
    bars = Export::WrittenBars.new(4.0, 2).voice([note(0, 1.25), note(3, 2)])

    assert_equal([[4, [60], false, true], [1, [60], true, false], [6, [], false, false], [1, [], false, false], [4, [60], false, true]], bars[0].map { |sign| sign.to_h.values })
    assert_equal([[4, [60], true, false], [12, [], false, false]], bars[1].map { |sign| sign.to_h.values })
  end

  def test_what_comes_back_at_once_is_written_once_with_a_repeat
    chords = [{ bar: 1, beat: 1.0, beats: 4.0, symbol: "Am", label: "A:min" }, { bar: 2, beat: 1.0, beats: 4.0, symbol: "F", label: "F:maj" }]
    loop = Fixture.varied(sections: [{ label: "verse", letter: "A", first_bar: 1, bars: 16, start: 0.0, end: 38.4, confidence: 1.0, reason: "" }], lines: [], drums: [],
      bass: { notes: [], tones: {}, lowest: nil, highest: nil },
      chords: (0...8).flat_map { |pass| chords.map { |chord| laid(chord, pass) } })
    told = SecondReader.music_xml(Export::LeadSheetXml.write(Fixture.exported(loop)))

    assert_equal [2, 1], told.values_at(:measures, :repeats)
  end

  private

  def note(start, length) = Midi::Note.new(start: start.to_f, length:, pitch: 60, velocity: 80, channel: 0)

  def laid(chord, pass)
    bar = chord[:bar] + (2 * pass)
    Fixture.analysis.fetch(:chords).find { |one| one[:degree] }.merge(**chord, bar:, start: (bar - 1) * 2.4, end: bar * 2.4)
  end
end
