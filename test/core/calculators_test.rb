# frozen_string_literal: true

require_relative "../test_helper"

# The reckoner's sentences beside figures that were worked out by hand.
class CalculatorsTest < Ethoscope::TestCase
  # What is written into the blanks, what is filled by that, and figures of lines.
  WORKED = [
    # 84.5 / 90 = 0.9389: 106.5 % as long; 12 · log2 0.9389 = −1.09; A to C is 3 up; 3 + 1.09 = 4.09 left after the speed.
    ["sample_to_track", { sample_bpm: "90", sample_key: "A minor", bpm: "84.5", key: "C minor" }, {},
     { "Shift" => "+3 semitones", "Stretch to" => "106.5 % of its length", "By speed alone" => "−1 semitone 9 cents", "Speed first, then shift" => "+4 semitones 9 cents" }],
    # 140 into 70: counted at half it fits as it is.
    ["sample_to_track", { sample_bpm: "140", sample_key: "C", bpm: "70", key: "C" }, {}, { "Stretch to" => "100.0 % of its length", "Shift" => "0 semitones" }],
    ["key_shift", { from: "F# minor", key: "A minor" }, {}, { "Nearest" => "+3 semitones", "The other way round" => "−9 semitones" }],
    # C major and A minor hold the same notes; D minor and F major do, so C major goes up 5.
    ["key_shift", { from: "C major", key: "D minor" }, {}, { "Nearest" => "+2 semitones", "To the same notes" => "+5 semitones" }],
    # 96 / 72 = 4/3, a pure fourth: 4.98 semitones.
    ["varispeed", { from_bpm: "72", bpm: "96" }, { semitones: "4.98" }, { "Shift" => "+4 semitones 98 cents", "Speed" => "133.33 %", "Length" => "75.00 % of before" }],
    # An octave doubles the speed.
    ["varispeed", { from_bpm: "70", semitones: "12" }, { bpm: "140" }, { "Speed" => "200.00 %" }],
    ["varispeed", { bpm: "120", semitones: "-12" }, { from_bpm: "240" }, { "Length" => "200.00 % of before" }],
    ["six_eight_to_four", { bpm: "60" }, {}, { "Beat stays beat" => "60 BPM", "Eighth stays eighth" => "90 BPM", "Bar stays bar" => "120 BPM" }],
    # 92 / 70: 12 · log2 1.3143 = 4.73, so C becomes F, 27 cents flat; 32 beats of 60/70 s, and of 60/92 s; five down from C is G.
    ["slow_take", { from_bpm: "70", key: "C major", bpm: "92", bars: "8", meter: "4/4", wanted: "C major" }, {},
     { "It sounds" => "+4 semitones 73 cents",
       "Key after it" => "F major", "Length as written" => "27.43 s", "Length as used" => "20.87 s", "To come out in C major" => "write in G major",
       "Back" => "−4 semitones 73 cents" }],
    ["shifted_session", { key: "Eb minor", semitones: "2", how: "by shifting", bpm: "96" }, {},
     { "Backing to record over" => "F minor", "Pitch correction before the way back" => "F minor", "The way back" => "−2 semitones", "Final" => "E♭ minor" }],
    # 16 bars of 4 at 120: 64 beats of half a second.
    ["bar_lengths", { bpm: "120", meter: "4/4", bars: "16" }, { seconds: "32" }, { "A beat" => "500.0 ms", "A bar" => "2.000 s", "16 bars" => "0:32.00" }],
    ["bar_lengths", { bpm: "90", meter: "3/4", seconds: "60" }, { bars: "30" }, { "A bar" => "2.000 s" }],
    ["bar_lengths", { meter: "4/4", bars: "4", seconds: "8" }, { bpm: "120" }, { "A beat" => "500.0 ms" }],
    # 12/8 has four dotted beats.
    ["bar_lengths", { bpm: "60", meter: "12/8", bars: "1" }, { seconds: "4" }, {}],
    ["section_times", { sections: "4 16 8", bpm: "120", meter: "4/4" }, {}, { "Whole song" => "0:56.00", "Section 2, bars 5–20" => "0:08.00 to 0:40.00" }],
    # Two beats at 84.5: 120 / 84.5 = 1.42012 s, 68165.68 samples; each of eight slices is 0.32 samples too long: 2.56 / 48 = 0.053 ms.
    ["slices", { bpm: "84.5", beats: "2", bars: "4", meter: "4/4", rate: "48000" }, {},
     { "A slice" => "1420.1 ms", "In samples" => "68166", "Slices in all" => "8", "After the last one" => "+0.053 ms" }],
    # 84.5: a quarter is 710.1 ms, an eighth dotted 532.5, a sixteenth triplet 118.3.
    ["delay_times", { bpm: "84.5", rate: "48000" }, {}, { "1/4" => "710.1 ms", "1/8 dotted" => "532.5 ms", "1/16 triplet" => "118.3 ms", "1/32" => "88.8 ms" }],
    ["delay_value", { ms: "375", bpm: "120" }, {}, { "Nearest" => "1/8 dotted", "Tempo at which it would be 1/8 dotted" => "120 BPM" }],
    # A beat at 100 is 600 ms; a 64th of a bar of four 37.5.
    ["reverb_fit", { bpm: "100", beats: "1", predelay: "1/64" }, {}, { "Pre-delay" => "37.5 ms", "Decay" => "0.56 s", "Both together" => "600.0 ms" }],
    ["pump_release", { bpm: "120", value: "1/4", attack: "5", hold: "20" }, {},
     { "Longest release" => "475.0 ms", "Release that breathes" => "425.0 ms", "Tight release" => "237.5 ms" }],
    ["loop_tempo", { bars: "4", meter: "4/4", seconds: "8" }, {}, { "Tempo" => "120.00 BPM", "If it is half as many bars" => "60.00 BPM", "5 ms more or less" => "±0.08 BPM" }],
    # 64 · 60 / 48 = 80; 80 · 0.1414 / 48 = 0.24.
    ["counted_tempo", { beats: "64", seconds: "48" }, {}, { "Tempo" => "80.00 BPM", "A finger's error" => "±0.24 BPM" }],
    ["tapped_tempo", { times: "0 0.5 1 1.5 2" }, {}, { "Tempo" => "120.00 BPM", "They stray by" => "0.0 ms" }],
    # 300 beats of 0.6 s less 300 of 60/100.2: the session is 359 ms early, 0.6 beats.
    ["rounding_drift", { bpm: "100", rounded: "100.2", minutes: "3" }, {}, { "At the end" => "−359.3 ms", "In beats" => "−0.60", "Heard as two strokes after" => "0:10.02" }],
    # A pair of sixteenths at 120 is 250 ms; 60 % is 10 % of that late.
    ["swing", { bpm: "120", value: "sixteenths", percent: "60" }, { ms: "25" },
     { "The off-beat comes late by" => "25.0 ms", "First and second of a pair" => "150.0 ms and 100.0 ms" }],
    ["swing", { bpm: "120", value: "eighths", ms: "50" }, { percent: "60" }, { "66.7 % would be" => "83.3 ms" }],
    ["half_double", { bpm: "75" }, {}, { "Half" => "37.5 BPM", "Double" => "150 BPM", "Triplets as beats" => "112.5 BPM" }],
    ["note_frequency", { note: "A1", a4: "440" }, { hertz: "55" }, { "Octave below" => "27.5 Hz" }],
    # 261.63 Hz is middle C.
    ["note_frequency", { hertz: "261.63", a4: "440" }, { note: "C4" }, { "Off the note" => "0 cents", "Note" => "C4" }],
    ["cents", { low: "440", high: "443" }, { cents: "11.8" }, { "Both together beat" => "3.00 times a second" }],
    ["cents", { low: "440", cents: "1200" }, { high: "880" }, { "Shift" => "+12 semitones" }],
    ["concert_pitch", { cents: "-31.77" }, { a4: "432" }, { "Or the recording by" => "+31.8 cents" }],
    # E2 82.4 Hz; C5 523.3.
    ["cut_points", { lowest: "E2", highest: "C5", a4: "440" }, {}, { "Cut below" => "41.2 Hz", "Cut above, dark" => "1047 Hz", "Fundamentals" => "82.4 Hz to 523.3 Hz" }],
    ["sub_octave", { note: "F2", floor: "38", a4: "440" }, {}, { "Lowest that it carries" => "F1, 43.7 Hz", "F0" => "21.8 Hz" }],
    # Four semitones under Fm D♭ A♭ E♭ lie C♯m A E B; one under them Em C G D, all open.
    ["capo", { chords: "Fm Db Ab Eb" }, {}, { "Capo at fret 1" => "Em C G D" }],
    ["guitar_tuning", { chords: "D" }, {}, { "Open D" => "6 strings ring in all" }],
    ["chord_notes", { chord: "Fm9", key: "C minor" }, {}, { "Notes" => "F A♭ C E♭ G", "From middle C" => "F4 A♭4 C5 E♭5 G5", "Degree in C minor" => "iv9" }],
    ["chord_notes", { chord: "C", key: "C major" }, {}, { "Inversion 1" => "E4 G4 C5", "Inversion 2" => "G4 C5 E5" }],
    # A C E G B: from C up a major seventh chord.
    ["upper_structures", { chord: "Am9" }, {}, { "Cmaj7" => "C E G B", "Em" => "E G B" }],
    ["scale_notes", { key: "A minor" }, {}, { "Notes" => "A B C D E F G", "Signature" => "no signs", "i7" => "Am, Am7", "Same notes" => "C major" }],
    ["degrees_to_chords", { degrees: "i7 bVImaj7 bIII bVII", key: "F minor" }, {}, { "Chords" => "Fm7 D♭maj7 A♭ E♭" }],
    ["degrees_to_chords", { degrees: "iiø7 V7 vii°", key: "C" }, {}, { "Chords" => "Dm7♭5 G7 Bdim" }],
    ["chords_to_degrees", { chords: "Fm7 Db Ab Eb", key: "F minor" }, {}, { "Degrees" => "i7 ♭VI ♭III ♭VII" }],
    ["transpose_chords", { chords: "Fm7 Db Ab/C Eb", from: "F minor", key: "A minor" }, {}, { "Chords" => "Am7 F C/E G", "Shift" => "+4 semitones" }],
    ["loudness_match", { first: "-9.2", second: "-14.1" }, {}, { "Apart by" => "4.9 LU", "Gain on the first" => "−4.9 dB", "As a factor" => "0.569" }],
    ["headroom", { lufs: "-18.5", peak: "-6.2", target: "-10", ceiling: "-1" }, {},
     { "Headroom" => "+5.2 dB", "Loudest without limiting" => "−13.3 LUFS", "Gain to the target" => "+8.5 dB", "Peaks to be held by" => "3.3 dB" }],
    # 40 · log10 (64 / 127) = −11.9; half the velocity is 12 dB.
    ["velocity", { velocity: "127", other: "64" }, { db: "−11.9" }, { "64 is" => "−11.9 dB" }],
    ["velocity", { velocity: "100", db: "-12.04" }, { other: "50" }, {}],
    ["costs", { sounds: "piano: 29, strings: lent by Ada, hiss:, bass: 12.50", budget: "40" }, {},
     { "Sum" => "41.50", "Left of the budget" => "−1.50", "Strings" => "lent by Ada", "Still to find" => "hiss" }]
  ].freeze

  def test_each_comes_to_what_was_worked_out_by_hand
    wrong = WORKED.filter_map do |id, written, filled, figures|
      answer = Calculators::Reckoner.find(id).answer(written)
      told = [answer.filled.slice(*filled.keys), figures.keys.to_h { |name| [name, answer[name]] }]
      [id, told, [filled, figures]] unless told == [filled, figures]
    end

    assert_empty wrong
  end

  def test_there_are_more_than_twenty_five_and_each_has_a_worked_example
    assert_operator Calculators::Reckoner::ALL.size, :>=, 25
    assert_empty Calculators::Reckoner::ALL.map { |calculator| calculator::ID } - WORKED.map(&:first)
    assert_equal(Calculators::Reckoner::ALL.size, Calculators::Reckoner.to_h.sum { |group| group[:calculators].size })
  end

  def test_each_opens_with_an_example_that_can_be_worked_out
    Calculators::Reckoner::ALL.each do |calculator|
      usual = calculator::BLANKS.to_h { |blank| [blank.name, blank.usual] }

      refute_empty calculator.answer(usual).lines, calculator::ID
      assert_equal calculator::BLANKS.map { |blank| "{#{blank.name}}" }.sort - ["{bpm}"], calculator::SENTENCE.scan(/\{\w+\}/).sort - ["{bpm}"], calculator::ID
    end
  end

  def test_what_will_be_heard_is_said
    far = Calculators::SampleToTrack.answer(sample_bpm: 90, sample_key: "A minor", bpm: 120, key: "D major")

    assert_equal 3, far.warnings.size
    assert_includes far.warnings.last, "A minor does not become D major"
    assert_empty Calculators::SampleToTrack.answer(sample_bpm: 90, sample_key: "A minor", bpm: 92, key: "B minor").warnings
  end

  def test_what_cannot_be_read_is_said_with_an_example
    { ["bar_lengths", { bpm: "fast", bars: "4" }] => "Tempo must be a number, such as 84.5, not “fast”",
      ["bar_lengths", { bpm: "500", bars: "4" }] => "Tempo must be between 20 and 400, not “500”",
      ["bar_lengths", { bpm: "120" }] => "leave one of tempo, bars and seconds empty: it is worked out from the rest",
      ["bar_lengths", { bpm: "120", bars: "4", seconds: "8" }] => "leave one of tempo, bars and seconds empty: it is worked out from the rest",
      ["bar_lengths", { tempo: "120" }] => "bar_lengths has no field “tempo”; it has bpm, meter, bars, seconds",
      ["slices", { rate: "1" }] => "Sample rate must be one of 44100, 48000, 88200, 96000, not “1”",
      ["key_shift", { from: "H", key: "C" }] => "Key that it is in must be a key, such as Eb minor, not “H”",
      ["note_frequency", { note: "A" }] => "Note must be a note with its octave, such as Eb2, not “A”",
      ["degrees_to_chords", { degrees: "8" }] => "“8” is no degree; write such as i7, bVI or V7",
      ["cut_points", { lowest: "C5", highest: "C4" }] => "the highest note lies under the lowest",
      ["costs", { sounds: "piano" }] =>
        "Sounds with prices must be entries such as “bass: 20” or “strings: lent by Ada”, with commas between, not “piano”" }.each do |(id, written), sentence|
      fault = assert_raises(Errors::Unfit, sentence) { Calculators::Reckoner.find(id).answer(written) }

      assert_equal sentence, fault.message
    end
    assert_raises(Errors::Unfit) { Calculators::Reckoner.find("oven") }
  end

  def test_keys_and_figures_are_read_as_people_write_them
    assert_equal "B♭ minor", Calculators::ShiftedSession.answer(key: "bbm", semitones: "-1")["Final"]
    assert_equal "F♯ dorian", Calculators::ShiftedSession.answer(key: "F sharp dorian", semitones: "1")["Final"]
    assert_equal "710.1 ms", Calculators::DelayTimes.answer(bpm: "84,5")["1/4"]
  end
end
