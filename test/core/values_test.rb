# frozen_string_literal: true

require_relative "../test_helper"

# What a reading of a person may hold, aspect by aspect; whatever passes can be shown, and whatever does not says what would.
class ValuesTest < Ethoscope::TestCase
  Values = Readings::Values

  KEPT = [
    ["tempo", { bpm: "73.26" }, { bpm: 73.26 }], ["tempo", { bpm: 90, changes: [{ at: "12.5", bpm: 120 }] }, { bpm: 90.0, changes: [{ at: 12.5, bpm: 120.0 }] }],
    ["tempo", { bpm: 90, mood: "calm" }, { bpm: 90.0 }], ["meter", { name: "7/8" }, { name: "7/8" }],
    ["meter", { name: "4/4", first_downbeat: -0.4 }, { name: "4/4", first_downbeat: -0.4 }], ["key", { tonic: "F#", mode: "dorian" }, { tonic: "F#", mode: "dorian" }],
    ["key", { tonic: "C", mode: "minor", modulations: [{ at: 3, tonic: "Eb", mode: "major" }] },
     { tonic: "C", mode: "minor", modulations: [{ at: 3.0, tonic: "Eb", mode: "major" }] }],
    ["loop", { text: "two bars" }, { text: "two bars" }], ["form", { text: "verse and drop" }, { text: "verse and drop" }],
    ["chord", { symbol: "Am9/E", voicing: %w[E3 A♭3 C-1] }, { symbol: "Am9/E", voicing: %w[E3 A♭3 C-1] }], ["chord", { symbol: "N.C." }, { symbol: "N.C." }],
    ["layer", { name: "echo", role: nil, spans: [[0, 2.5, 3]] }, { name: "echo", role: nil, spans: [[0, 2.5, 3]] }],
    ["mark", { type: "idea", text: "louder", layer_id: 4 }, { type: "idea", text: "louder", layer_id: 4 }], ["change", { key: "enters:bass" }, { key: "enters:bass" }],
    ["technique", { name: "thrown echo", kind: nil }, { name: "thrown echo", kind: nil }], ["sighting", { kind: "pedal" }, { kind: "pedal" }]
  ].freeze

  REFUSED = [
    ["tempo", {}, "BPM is missing."], ["tempo", { bpm: "fast" }, "BPM must be a number, such as 84.5."], ["tempo", { bpm: 19.9 }, "BPM must be between 20 and 400."],
    ["tempo", { bpm: Float::INFINITY }, "BPM must be between 20 and 400."], ["tempo", { bpm: 90, changes: [{ at: 1 }] }, "Changes, first: BPM is missing."],
    ["meter", { name: "9/9" }, %r{\AName must be one of: 2/4, 4/4}], ["key", { tonic: "H", mode: "minor" }, "Tonic can't be read."],
    ["key", { tonic: "C", mode: "sad" }, /\AMode must be one of: major/], ["form", { entries: [] }, "Entries needs 1 or more."],
    ["form", { entries: [{ label: "verse", letter: "A", start: 0 }, { label: "drop", letter: "B", start: nil }] }, "Entries, second: start must not be empty."],
    ["form", { entries: [{ label: "verse", letter: "A", start: -1 }] }, "Entries, first: start must be between 0 and 2000."],
    ["loudness", { lufs: -14 }, "Text is missing."], ["tuning", { text: "" }, "Text must not be empty."],
    ["chord", { symbol: "Am", voicing: %w[E3 low] }, "Voicing: second can't be read."],
    ["layer", { name: "echo", role: "tuba" }, /\ARole must be one of: kick/], ["layer", { name: "echo", spans: [[0, 2, 7]] }, /\AA painted stretch has/],
    ["layer", { name: "echo", spans: [[2, 1, 1]] }, /\AA painted stretch has/], ["layer", { name: "echo", spans: ["x"] }, /\AA painted stretch has/],
    ["layer", { name: "echo", card: { candidates: [{ text: "organ", sure: 1.2 }] } }, "Card, candidates, first: how sure must be between 0 and 1."],
    ["layer", { name: "echo", card: { stacked: 65 } }, "Card: stacked must be between 1 and 64."], ["mark", { type: "rumour", text: "x" }, /\AType must be one of/],
    ["change", { text: " " }, "Say what changes."], ["change", {}, "Say what changes."],
    ["technique", { name: "" }, "Name must not be empty."], ["sighting", {}, "Kind is missing."]
  ].freeze

  def test_what_fits_is_kept_as_numbers_and_without_what_nobody_knows
    KEPT.each { |aspect, value, kept| assert_equal kept, Values.checked(aspect, value), "#{aspect} #{value}" }
  end

  def test_what_does_not_fit_is_refused_with_its_field_and_what_would_fit
    REFUSED.each do |aspect, value, sentence|
      error = assert_raises(Errors::Unfit, "#{aspect} #{value}") { Values.checked(aspect, value) }

      sentence.is_a?(Regexp) ? assert_match(sentence, error.message) : assert_equal(sentence, error.message)
    end
  end

  def test_a_chord_that_cant_be_read_says_why
    assert_raises(Errors::UnreadableChord) { Values.checked("chord", { symbol: "Xyz" }) }
  end

  def test_whatever_is_kept_has_a_statement_and_can_be_laid_over_a_sheet
    KEPT.each do |aspect, value, _|
      next refute_empty(Readings::Heard.statement(aspect, value)) if Readings::Reader::ASPECTS.include?(aspect)

      note = Sheet::SheetNote.new(id: 1, aspect:, value: Values.checked(aspect, value), from: 2.7, to: 5.1, source: "heard", state: "open", note: "")

      assert_equal 16, Sheet::SongSheet.new(Fixture.analysis, [note]).settled.bars, aspect
    end
  end

  def test_names_without_anything_to_see
    { "  a\u202Eb " => "ab", "\u200B\u200D" => "", "\uFEFF" => "", "ü \u0007x" => "ü x", "日本" => "日本", "a\xFFb" => "ab" }.each do |given, seen|
      assert_equal seen, Plain.name(given), given.inspect
    end
    assert_equal "👨‍👩‍👧", Plain.name("👨‍👩‍👧")
  end

  def test_what_is_frozen_throughout_is_handed_back_as_it_is
    data = Plain.frozen({ a: [1, { b: "text" }], c: Corrections::TempoChange.new(at: 1.0, bpm: 90.0, to: nil, bars: nil) })

    assert_same data, Plain.frozen(data)
    assert_equal({ at: 1.0, bpm: 90.0, to: nil, bars: nil }, data[:c])
    assert_predicate data[:a][1][:b], :frozen?
  end
end
