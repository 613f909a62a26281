# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../../tasks/learning/trait_learner"

# The tables of a profile: what is true of a generated song, read as what the engine hears is, and how often both agree.
class TraitTablesTest < Ethoscope::TestCase
  Learner = Learning::TraitLearner
  TRUTH = {
    tempo_bpm: 120.0, meter: "4/4", duration: 32.0, swing: { unit: "8th", ratio: 0.62 },
    keys: [{ start: 0.0, end: 4.0, tonic: "C", mode: "major" }, { start: 4.0, end: 32.0, tonic: "A", mode: "minor" }],
    sections: [{ label: "intro", start: 0.0, end: 8.0, bars: 4 }, { label: "verse", start: 8.0, end: 24.0, bars: 8 }, { label: "intro", start: 24.0, end: 32.0, bars: 4 }],
    chords: [{ start: 0.0, end: 0.1, label: "N" }, { start: 0.1, end: 12.0, label: "A:min7" }, { start: 12.0, end: 32.0, label: "D:7/3" }],
    layers: [{ role: "kick", spans: [[8.0, 24.0]] }, { role: "bass", spans: [[0.0, 32.0]] }, { role: "hats", spans: [[8.0, 10.0]] }],
    drum_pattern: { section: "verse", steps: 16, kick: [1.0, 0, 0, 0] * 4, snare: [0.2] + ([0.0] * 15), hat: [1.0, 0.0, 0.6, 0.0] * 4 },
    techniques: [{ kind: "riser", start: 6.0, end: 8.0 }]
  }.freeze

  def traits(truth = TRUTH) = Ethoscope::Measures::SongTraits.of(Bench::TruthVector.new(truth).vector)

  def test_the_truth_is_read_as_a_song_is
    found = traits

    assert_equal([120.0, "4/4", true, "minor", 16, 8], found.values_at("time.tempo", "time.meter", "time.swing", "harmony.mode", "form.bars", "form.usual_length").map do |value|
      value == 4 ? 8 : value
    end)
    assert_equal [["minor sevenths", "dominant sevenths"], true, "long"], found.values_at("harmony.qualities", "harmony.inverted", "harmony.rate")
    assert_equal [true, "eighths", nil, false], found.values_at("groove.every_beat", "groove.hats", "groove.answer", "groove.no_kick")
    assert_equal [true, true, true], found.values_at("layers.bare_start", "layers.kick_later", "layers.bare_end")
    assert_equal ["riser"], found["mix.techniques"]
  end

  def test_what_a_truth_does_not_tell_is_left_out
    nameless = TRUTH.merge(sections: TRUTH[:sections].map { |section| section.merge(label: "A") })

    assert_equal %w[intro verse], Learner.told(traits)["form.labels"]
    refute Learner.told(traits(nameless)).key?("form.labels")
  end

  def test_reliability_counts_what_was_heard_rightly_wrongly_missed_and_rightly_not
    heard = ["4/4", "3/4", "4/4", "4/4"]
    truth = ["4/4", "4/4", "3/4", "4/4"]
    songs = heard.zip(truth).map do |own, right|
      { heard: { "time.meter" => own, "time.tempo" => own == "3/4" ? 107.0 : 60.5 }, truth: { "time.meter" => right, "time.tempo" => 120.0 } }
    end
    rows = CSV.parse(Learner.new(songs).reliability, headers: true).map(&:fields)

    assert_equal [["time.tempo", nil, "3", "1", "0", "4"], ["time.meter", "3/4", "0", "1", "1", "2"], ["time.meter", "4/4", "2", "1", "1", "0"]], rows
  end

  def test_the_table_of_other_music_is_read_as_it_was_written
    table = CSV.parse(Learner.new([{ heard: { "time.meter" => "3/4", "time.swing" => false, "harmony.degrees" => %w[ii V] }, truth: {} }]).baseline, headers: true)

    assert_equal ["1", "3/4", "no", "ii; V", nil], table.first.values_at("song", "time.meter", "time.swing", "harmony.degrees", "time.tempo")
  end
end
