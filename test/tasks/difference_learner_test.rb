# frozen_string_literal: true

require_relative "../test_helper"
%w[adam network_learner difference_learner repeatability_learner].each { |file| require_relative "../../tasks/learning/#{file}" }

# What is learnt from pairs of songs into which known differences were planted.
class DifferenceLearnerTest < Ethoscope::TestCase
  def pair(seed, differences = [], measured: { level_db: 0.0, side_db: 0.0, tilt_db: 0.0 }, **options)
    attempt = DrawnSong.new(seed: seed + 100, **options)
    yield attempt if block_given?
    Learning::DifferenceLearner::Pair.new(reference: DrawnSong.new(seed:).analysis, attempt: attempt.analysis, truth: { differences:, measured: })
  end

  def with_another_chord(seed)
    pair(seed, [{ kind: "chord", bars: [[7, 7], [23, 23]] }]) { |song| [7, 23].each { |bar| song.bars[bar - 1].chord = "F#:min" } }
  end

  def test_another_chord_is_told_from_the_same_one
    table = Learning::DifferenceLearner.new((1..6).map { |seed| with_another_chord(seed) }).learn(:chords)
    odds = Ethoscope::Attempts::Odds.new(:chords, table)
    judged = with_another_chord(40)
    songs = [judged.reference, judged.attempt].map { |analysis| Ethoscope::Attempts::Prints.new(analysis) }
    laid = Ethoscope::Attempts::Laid.new(*songs, Ethoscope::Attempts::Aligner.new(*songs).alignment, Ethoscope::Attempts::Wishes.none)
    evidence = Ethoscope::Attempts::Odds.evidence(:chords, laid)
    likely = evidence.zip(odds.of(Numo::DFloat.cast(evidence.map(&:first)))[true, 1].to_a).select { |_, share| share > 0.5 }

    assert_equal([7, 23], likely.map { |(_, bars, _), _| bars.first })
  end

  def test_what_one_song_lacks_the_other_has_beside_it
    missing = pair(1, [{ kind: "layer_missing", role: "hats", bars: [[21, 28]] }]) { |song| song.change(21..28) { |bar| bar.kit.delete(:hats) } }
    songs = [missing.reference, missing.attempt].map { |analysis| Ethoscope::Attempts::Prints.new(analysis) }
    laid = Ethoscope::Attempts::Laid.new(*songs, Ethoscope::Attempts::Aligner.new(*songs).alignment, Ethoscope::Attempts::Wishes.none)
    lost = ->(seen) { Ethoscope::Attempts::Odds.evidence(:drums, seen).select { |_, bars, role| role == "hats" && [21, 1].include?(bars.first) }.to_h { |row, bars, _| [bars.first, row.first(4)] } }

    assert_operator lost.call(laid)[21][0], :>, 0.9
    assert_operator lost.call(laid.turned)[21][2], :>, 0.9
    assert_operator lost.call(laid)[21][2], :<, 0.1
  end

  def test_how_far_pairs_and_copies_come_apart_is_a_table
    pairs = (1..12).map { |seed| pair(seed, measured: { level_db: 0.5, side_db: 0.0, tilt_db: 0.0 }, bpm: 120.0 + (seed / 100.0), loudness: -14.0 + 0.5) }
    copies = [[DrawnSong.new.analysis, DrawnSong.new(seed: 2, loudness: -17.0).analysis]]
    table = CSV.parse(Learning::RepeatabilityLearner.new(pairs, copies).to_csv, headers: true).to_h { |row| [row["measure"], row] }

    assert_in_delta 0.09, table["tempo"]["pairs"].to_f, 0.011
    assert_in_delta 0.0, table["level"]["pairs"].to_f
    assert_in_delta 0.0, table["level"]["copies"].to_f
    assert_equal "12", table["swing"]["pairs_measured"]
  end

  def test_a_planted_measure_tells_nothing_of_how_well_it_repeats
    swung = pair(1, [{ kind: "swing", bars: [] }], swing: 0.66)

    assert_equal "0", CSV.parse(Learning::RepeatabilityLearner.new([swung], []).to_csv, headers: true).find { |row| row["measure"] == "swing" }["pairs_measured"]
  end
end
