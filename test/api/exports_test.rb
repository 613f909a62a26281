# frozen_string_literal: true

require_relative "../test_helper"
require "csv"
require "midilib"

# What is handed over: named so that any system takes it, and holding what was put right.
class ExportsTest < Ethoscope::TestCase
  include AnalysedSong

  def fetch(name)
    get("#{@path}/#{name}", {}, "HTTP_HOST" => "127.0.0.1")

    assert_equal 200, last_response.status, last_response.body[0, 200]
    last_response.body
  end

  def test_files_are_named_after_the_song_in_signs_that_every_system_takes
    { "Wet Slate" => "Wet Slate", "../../etc/passwd" => "etcpasswd", "Ünter den \"Linden\"; rm" => "Unter den Linden rm", "日本" => "ethoscope",
      "a\nb\u202Ec" => "abc" }.each do |title, name|
      library.references.update(@reference[:id], title:)
      fetch("song.mid")

      assert_equal "attachment; filename=\"#{name}.mid\"", last_response["content-disposition"]
    end
  end

  def test_the_types_are_those_of_the_formats
    { "song.mid" => "audio/midi", "played.mid" => "audio/midi", "sections.csv" => "text/csv", "analysis.json" => "application/json" }.each do |name, type|
      fetch(name)

      assert_equal type, last_response.media_type
      assert_equal "nosniff", last_response["x-content-type-options"]
    end
  end

  def test_the_json_is_the_sheet_without_what_was_refuted_and_can_be_read_back
    kind = Fixture.analysis.fetch(:techniques).first[:kind]
    send_json(:post, "#{@path}/sightings", { kind:, state: "refuted", first_bar: 1, last_bar: 16 })
    send_json(:post, "#{@path}/chords", { action: "name", bar: 2, symbol: "Dm9/A", voicing: %w[A2 F3 C4] })
    data = JSON.parse(fetch("analysis.json"), symbolize_names: true)

    assert_empty(data[:techniques].select { |sighting| sighting[:kind] == kind })
    assert_equal(["Dm9/A", %w[A2 F3 C4]], data[:chords].find { |chord| chord[:bar] == 2 }.values_at(:symbol, :voicing))
    assert_equal 16, Ethoscope::Analysis.from_h(data).bars
  end

  def test_midi_and_csv_follow_what_was_put_right
    send_json(:post, "#{@path}/sections", { action: "rename", index: 0, change: { label: "=drop", letter: "Z" } })
    send_json(:post, "#{@path}/chords", { action: "name", bar: 1, symbol: "C/Bb" })
    rows = CSV.parse(fetch("sections.csv"), headers: true)

    assert_equal ["'=drop", "Z"], rows.first.values_at("label", "letter")
    assert_match(%r{\AC/B♭ }, rows.first["chords"])
    sequence = MIDI::Sequence.new
    sequence.read(StringIO.new(fetch("song.mid")))
    markers = sequence.tracks.first.events.grep(MIDI::MetaEvent).select { |event| event.meta_type == MIDI::META_MARKER }

    assert_equal "Z =drop", markers.first.data_as_str
    first = sequence.tracks[1].events.grep(MIDI::NoteOn).select { |event| event.time_from_start.zero? }

    assert_equal([0, 4, 7], first.map { |event| event.note % 12 }.sort)
    assert_equal 10, sequence.tracks[2].events.grep(MIDI::NoteOn).first.note % 12
  end

  def test_before_the_analysis_there_is_nothing_to_hand_over
    other = upload(new_study[:id], File.binread(Fixture.wav).tap { |bytes| bytes.setbyte(1900, 9) }, "b.wav")[:reference]
    %w[song.mid played.mid sections.csv analysis.json how-to/pedal].each do |name|
      get_json("/api/references/#{other[:id]}/#{name}")

      assert_problem 409, "not_analysed", /no finished analysis/
    end
  end

  def test_a_checklist_as_markdown_holds_no_foreign_markup
    library.references.update(@reference[:id], title: "<script>alert(1)</script> [x](http://a)")
    checklist = send_json(:post, "/api/studies/#{@reference[:study_id]}/checklists", { from: "reference", reference_id: @reference[:id] })[:checklist]
    send_json(:patch, "/api/items/#{checklist[:items].first[:id]}", { note: "# not a heading\n- [ ] nor a box" })
    get("/api/checklists/#{checklist[:id]}/checklist.md", {}, "HTTP_HOST" => "127.0.0.1")

    refute_match(/<script>|^# not/, last_response.body)
    assert_match(/\\<script\\>alert\(1\)/, last_response.body)
  end
end
