# frozen_string_literal: true

require_relative "../test_helper"

# Whether two readings say the same, and how a person's value is put into words.
class AgreementTest < Ethoscope::TestCase
  include Ethoscope::Readings

  def same?(aspect, one, other) = Agreement.same?(aspect, one, other)

  def test_counts_that_a_hand_can_not_tell_apart_agree
    assert same?("tempo", { bpm: 100.0 }, { bpm: 100.4 })
    refute same?("tempo", { bpm: 100.0 }, { bpm: 101.0 })
    refute same?("tempo", { bpm: 75.0 }, { bpm: 150.0 })
    refute same?("tempo", { bpm: 100.0 }, { bpm: 100.0, changes: [{ at: 9.0, bpm: 90.0 }] })
  end

  def test_a_key_is_the_same_however_it_is_spelled
    assert same?("key", { tonic: "C#", mode: "minor" }, { tonic: "Db", mode: "minor" })
    refute same?("key", { tonic: "C", mode: "minor" }, { tonic: "C", mode: "major" })
    refute same?("key", nil, { tonic: "C", mode: "major" })
  end

  def test_words_agree_with_the_same_words_only
    assert same?("loop", { text: "four bars" }, { text: "four bars" })
    refute same?("loop", { text: "four bars" }, { degrees: %w[i iv] })
  end

  def test_a_persons_values_are_statements
    assert_equal "100.00 BPM, then 90.00", Heard.statement("tempo", { bpm: 100, changes: [{ at: 9.0, bpm: 90 }] })
    assert_equal "A minor, then C major", Heard.statement("key", { tonic: "A", mode: "minor", modulations: [{ at: 9.0, tonic: "C", mode: "major" }] })
    assert_equal "Two sections", Heard.statement("form", { entries: [{ label: "verse", letter: "A", start: 0.0 }, { label: "drop", letter: "B", start: 9.6 }] })
  end

  def test_values_that_make_no_sense_are_refused
    [["tempo", { bpm: "fast" }], ["tempo", { bpm: 5 }], ["meter", { name: "9/4" }], ["key", { tonic: "A" }], ["form", { entries: [] }], ["loop", { text: " " }],
     ["mood", { text: "sad" }]].each { |aspect, value| assert_raises(Ethoscope::Errors::Unfit) { Heard.statement(aspect, value) } }
  end
end
