# frozen_string_literal: true

require_relative "../../test_helper"

# Two recordings of one song that are counted otherwise.
class SettlingTest < Ethoscope::TestCase
  def candidates(*odds) = odds.map { |bpm, share| { bpm:, odds: share, relation: "", reason: "" } }

  def song(bpm, *odds, **rest) = DrawnSong.new(bpm:, candidates: candidates([bpm, 1 - odds.sum(&:last)], *odds), **rest).analysis

  def settle(reference, attempt, **how) = Attempts::Settling.new(reference, attempt, **how).count

  def test_an_attempt_read_at_half_the_tempo_is_counted_as_its_reference
    assert_equal({ attempt: { bpm: 120.0 } }, settle(song(120.0), song(60.0, [120.0, 0.3])))
  end

  def test_double_and_a_little_faster_is_the_reference_s_count_a_little_faster
    assert_equal({ attempt: { bpm: 123.0 } }, settle(song(120.0), song(246.0, [123.0, 0.2])))
  end

  def test_where_both_make_another_count_much_likelier_the_reference_gives_way
    reference = song(60.0, [120.0, 0.45])
    attempt = song(120.0, [60.0, 0.02])

    assert_equal({ reference: { bpm: 120.0 } }, settle(reference, attempt))
    assert_equal({ attempt: { bpm: 60.0 } }, settle(reference, attempt, leads: true))
  end

  def test_a_tempo_that_is_only_another_one_stays
    assert_empty settle(song(120.0), song(96.0))
  end

  def test_the_meter_of_the_reference_holds
    assert_equal({ attempt: { meter: "4/4" } }, settle(song(120.0), song(120.0, meter: "12/8")))
  end

  def test_bars_that_begin_half_a_bar_off_begin_with_the_reference_s
    off = DrawnSong.new(seed: 2).analysis.to_h
    half = ->(rows) { rows.flatten(1).then { |halves| halves[1..] + halves.first(1) }.each_slice(2).to_a }
    late = ->(rows) { rows.flatten.then { |steps| steps[8..] + steps.first(8) }.each_slice(16).to_a }
    prints = off[:prints].merge(notes: half.call(off[:prints][:notes]), strokes: off[:prints][:strokes].transform_values(&late))
    settling = Attempts::Settling.new(DrawnSong.new.analysis, Ethoscope::Analysis.new(off.merge(prints:)))

    assert_in_delta off[:bars][0][:start] + 1.0, settling.first_downbeats[:attempt], 0.01
  end

  def test_it_reads_again_what_it_says
    asked = []
    _, attempt, said = Attempts::Settling.settle(song(120.0), song(60.0, [120.0, 0.3])) do |which, count|
      asked << [which, count]
      song(120.0)
    end

    assert_equal [[:attempt, { bpm: 120.0 }]], asked
    assert_in_delta 120.0, attempt.fetch(:tempo)[:bpm]
    assert_equal({ attempt: { bpm: 120.0 } }, said)
  end
end
