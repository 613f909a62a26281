# frozen_string_literal: true

require_relative "../test_helper"
require "csv"
require "midilib"
require "stringio"

# What is taken away can be read back by others.
class MidiAndExportTest < Ethoscope::TestCase
  def setup
    @analysis = Fixture.analysis
    @sequence = read(@analysis)
  end

  def test_the_file_has_the_right_tempo_and_time_signature
    tempo = events(MIDI::Tempo).first
    signature = events(MIDI::TimeSig).first

    assert_in_delta @analysis.fetch(:tempo)[:bpm], MIDI::Tempo.mpq_to_bpm(tempo.tempo), 0.01
    assert_equal [4, 2], [signature.numerator, signature.denominator]
  end

  def test_markers_stand_on_the_bar_lines_of_sections
    markers = events(MIDI::MetaEvent).select { |event| event.meta_type == MIDI::META_MARKER }

    assert_equal(@analysis.fetch(:sections).map { |section| (section[:first_bar] - 1) * 4 * @sequence.ppqn }, markers.map(&:time_from_start))
    assert_match(/\AA /, markers.first.data_as_str)
  end

  def test_chords_are_blocks_on_the_beat_and_the_bass_has_their_roots
    chords, bass = @sequence.tracks[1..]
    first = chords.events.grep(MIDI::NoteOn).select { |event| event.time_from_start.zero? }.map { |event| event.note % 12 }

    assert_equal [0, 4, 9], first.sort.first(3)
    assert_equal 9, bass.events.grep(MIDI::NoteOn).first.note % 12
    assert(chords.events.grep(MIDI::NoteOn).all? { |event| (event.time_from_start % (@sequence.ppqn / 2)).zero? })
  end

  def test_every_note_ends
    @sequence.tracks[1..].each do |track|
      assert_equal track.events.grep(MIDI::NoteOn).size, track.events.grep(MIDI::NoteOff).size
    end
  end

  def test_in_six_eight_a_bar_is_two_dotted_quarters
    sequence = read(Fixture.varied(meter: "6/8", tempo_map: [{ bar: 1, time: 0.3, bpm: 60.0 }]))
    tempo = sequence.tracks.first.events.grep(MIDI::Tempo).first

    assert_in_delta 90.0, MIDI::Tempo.mpq_to_bpm(tempo.tempo), 0.01
    assert_equal([6, 3], sequence.tracks.first.events.grep(MIDI::TimeSig).first.then { |event| [event.numerator, event.denominator] })
  end

  def test_a_moving_tempo_is_written_bar_by_bar
    map = [{ bar: 1, time: 0.3, bpm: 100.0 }, { bar: 2, time: 2.7, bpm: 100.001 }, { bar: 3, time: 5.1, bpm: 104.0 }]
    tempos = read(Fixture.varied(tempo_map: map)).tracks.first.events.grep(MIDI::Tempo)

    assert_equal([0, 2 * 4 * 480], tempos.map(&:time_from_start))
  end

  def test_sections_as_csv
    rows = CSV.parse(Ethoscope::Export::SectionsCsv.write(Fixture.exported(@analysis)), headers: true)

    assert_equal @analysis.fetch(:sections).size, rows.size
    assert_equal Ethoscope::Export::SectionsCsv::COLUMNS, rows.headers
    assert_equal "1", rows.first["first_bar"]
    assert_includes rows.first["chords"], "Am"
  end

  def test_a_checklist_as_markdown_can_be_ticked_and_holds_no_foreign_markup
    item = { number: "1.1", stage: "Frame", heading: "Frame", title: "Length *now*", target: "16 bars", tolerance: "±1", minutes: 5, steps: ["Count <b>"],
             fallback: "Shorter", from: "form", state: "open", note: "later\n# never" }
    text = Ethoscope::Export::ChecklistMarkdown.write({ title: "A [list]", items: [item, item.merge(state: "done"), item.merge(state: "skipped", heading: "Mix")] })

    assert_includes text, "- [ ] **1.1 Length \\*now\\***: 16 bars (±1), 5 min, from form"
    assert_includes text, "- [x]"
    assert_includes text, "Note: later \\# never"
    assert_equal ["## Frame", "## Mix"], text.lines.grep(/\A## /).map(&:strip)
    assert_includes text, "licensed professional"
  end

  private

  def read(analysis)
    MIDI::Sequence.new.tap { |sequence| sequence.read(StringIO.new(Ethoscope::Export::SongMidi.write(Fixture.exported(analysis, "Fixture ♭")))) }
  end

  def events(kind) = @sequence.tracks.first.events.grep(kind)
end
