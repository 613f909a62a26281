# frozen_string_literal: true

require_relative "../test_helper"

# What a person says about time holds to the letter: songs of known tempo, a list of corrections, and where every beat must lie.
class ToldTimeTest < Ethoscope::TestCase
  # Seconds by which a beat may miss a tempo that was told, and one whose place had to be heard.
  EXACT = 0.002
  HEARD = 0.02
  GROOVE = { chords: %w[Am F C G], kick: [0, 2], snare: [1, 3], hats: [0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5] }.freeze

  SONGS = {
    steady: -> { Band.new(bpm: 100).bars(12, **GROOVE) },
    two: -> { Band.new(bpm: 96).bars(8, **GROOVE).tempo(121).bars(8, **GROOVE) },
    ramp: -> { Band.new(bpm: 90).bars(6, **GROOVE).bars(4, to: 120, **GROOVE).bars(6, **GROOVE) }
  }.freeze

  def self.song(name) = (@songs ||= {})[name] ||= SONGS.fetch(name).call.then { |band| [band, Ethoscope::Engine::Features.of(band.recording)] }

  # Each: what is said, on which song, and where beats must lie; a beat from the first bar line on is at(n).
  def band(name) = self.class.song(name).first

  def count(name, **said)
    Ethoscope::Engine::CountStage.new(self.class.song(name).last, Ethoscope::Corrections.of(**said), Ethoscope::Sources.none, Ethoscope::Gaps.new).result
  end

  def even(start, bpm, beats) = (0..beats).map { |beat| start + (beat * 60.0 / bpm) }

  def assert_beats(expected, grid, within:, said:)
    got = grid.edges.drop(grid.pickup).first(expected.size)

    assert_equal expected.size, got.size, "#{said}: too few beats"
    worst = expected.zip(got).each_with_index.max_by { |(want, is), _| (want - is).abs }

    assert_in_delta worst[0][0], worst[0][1], within, "#{said}: beat #{worst[1]}"
  end

  def test_a_typed_tempo_is_that_grid_in_the_meter_that_was_heard
    [100.0, 100.02, 99.5, 101.7, 50.0, 200.0, 97.0, 113.4].each do |bpm|
      count = count(:steady, bpm:)
      spread = count.grid.edges.each_cons(2).map { |a, b| b - a }.minmax

      assert_equal "4/4", count.grid.meter.name, "#{bpm} BPM"
      assert_in_delta 60.0 / bpm, spread.first, 1e-4, "#{bpm} BPM"
      assert_in_delta 60.0 / bpm, spread.last, 1e-4, "#{bpm} BPM"
      assert count.rhythm.constant
      assert_in_delta bpm, count.rhythm.bpm, 0.005
    end
  end

  def test_a_tempo_at_two_thirds_of_the_one_heard_takes_the_meter_that_fits_it_and_not_the_one_heard
    count = count(:steady, bpm: 66.67)

    assert_equal "12/8", count.grid.meter.name
    assert_equal "3/4", count(:steady, bpm: 66.67, meter: "3/4").grid.meter.name
  end

  def test_other_ways_to_count_are_pairs_whose_likelihoods_add_up_to_one_at_most
    features = self.class.song(:steady).last
    [{}, { bpm: 50.0 }, { meter: "3/4" }].each do |said|
      data = Ethoscope::Analysis.of(features:, corrections: Ethoscope::Corrections.of(**said)).to_h

      [data[:counts], data[:meters], data[:tempo][:candidates]].each { |others| assert_operator others.sum { |one| one[:odds] }, :<=, 1.0001, said }
      assert_equal [data[:tempo][:bpm], data[:meter]], data[:counts].first.values_at(:bpm, :meter), said
      assert_equal data[:counts].map { |one| one.values_at(:bpm, :meter) }.uniq.size, data[:counts].size
      assert_operator data[:meter_confidence], :<=, data[:tempo][:confidence]
    end
  end

  def test_the_pair_that_is_chosen_comes_first_and_bar_lines_move_by_half_beats
    heard = count(:steady).rhythm

    assert_equal [heard.bpm, "4/4"], [heard.counts.first.bpm, heard.counts.first.meter]
    assert(heard.bar_lines.all? { |one| (one.beats * 2 % 1).zero? && one.beats.abs <= 2 && !one.beats.zero? })
  end

  def test_what_was_heard_stays_among_the_alternatives_of_what_is_told
    told = count(:steady, bpm: 150.0, meter: "3/4").rhythm

    assert_includes told.counts.map { |one| [one.bpm.round, one.meter] }, [100, "4/4"]
    assert_equal "chosen", told.counts.first.relation
  end

  def test_a_bar_line_before_the_first_one_moves_all_bars_to_it
    first = count(:steady).grid.bar_edges.first
    moved = count(:steady, bar_lines: [0.0]).grid

    assert_in_delta 0.3, first, 0.02
    assert_in_delta 0.0, moved.bar_edges.first
    assert_equal 0, moved.pickup
  end

  def test_the_tempo_that_was_heard_typed_again_moves_no_beat
    assert_beats band(:steady).beats, count(:steady, bpm: 100.0).grid, within: HEARD, said: "100"
    assert_beats even(0.3, 50, 23), count(:steady, bpm: 50.0).grid, within: HEARD, said: "half"
    assert_beats even(0.3, 200, 90), count(:steady, bpm: 200.0).grid, within: HEARD, said: "double"
  end

  def test_with_a_first_beat_every_beat_is_told
    [[100.0, 0.3], [100.0, 0.9], [120.0, 0.31], [75.0, 1.0], [133.33, 0.5]].each do |bpm, first|
      grid = count(:steady, bpm:, first_downbeat: first).grid
      line = grid.downbeats.min_by { |time| (time - first).abs }

      assert_in_delta first, line, EXACT, "#{bpm} from #{first}"
      assert_beats even(grid.bar_edges.first, bpm, 16), grid, within: EXACT, said: "#{bpm} from #{first}"
    end
  end

  def test_meters_are_told_and_keep_the_beat
    { "3/4" => 3, "2/4" => 2, "5/4" => 5 }.each do |meter, beats|
      grid = count(:steady, meter:).grid

      assert_equal beats, grid.meter.beats
      assert_in_delta 0.6, grid.edges[6] - grid.edges[5], HEARD, meter
    end
    assert_equal(["3/4", 120.0], count(:steady, meter: "3/4", bpm: 120.0).then { |said| [said.grid.meter.name, said.rhythm.bpm] })
  end

  def test_another_tempo_from_a_bar_on_leaves_what_is_before_it
    start = band(:two).time_of_bar(9)
    before = count(:two, bpm: 96.0, first_downbeat: 0.3).grid.edges.take_while { |edge| edge < start - 0.1 }
    grid = count(:two, bpm: 96.0, first_downbeat: 0.3, tempo_changes: [{ at: start, bpm: 121.0 }]).grid

    assert_equal before, grid.edges.first(before.size)
    assert_beats band(:two).beats, grid, within: EXACT, said: "96, then 121"
  end

  def test_a_tempo_that_moves_is_followed_to_the_beat
    start = band(:ramp).time_of_bar(7)
    grid = count(:ramp, bpm: 90.0, first_downbeat: 0.3, tempo_changes: [{ at: start, bpm: 90.0, to: 120.0, bars: 4 }]).grid

    assert_beats band(:ramp).beats, grid, within: EXACT, said: "90 to 120 in four bars"
    back = count(:ramp, bpm: 90.0, first_downbeat: 0.3, tempo_changes: [{ at: start, bpm: 90.0, to: 120.0, bars: 4 }, { at: band(:ramp).time_of_bar(14), bpm: 60.0 }]).grid

    assert_in_delta band(:ramp).time_of_bar(14) + 1.0, back.edges.find { |edge| edge > band(:ramp).time_of_bar(14) + 0.1 }, EXACT
  end

  def test_a_ramp_may_begin_with_the_song
    grid = count(:steady, bpm: 100.0, first_downbeat: 0.3, tempo_changes: [{ at: 0.3, bpm: 100.0, to: 80.0, bars: 2 }]).grid
    slow = 60.0 * Math.log(80.0 / 100) / (-20.0 / 8)

    assert_in_delta 0.3 + slow, grid.bar_edges[2], EXACT
    assert_in_delta 3.0, grid.bar_edges[4] - grid.bar_edges[3], EXACT
  end

  def test_a_bar_line_set_at_a_place_is_one
    heard = count(:steady).grid
    [5.25, 9.7, 12.0].each do |at|
      grid = count(:steady, bar_lines: [at]).grid

      assert_in_delta at, grid.downbeats.min_by { |time| (time - at).abs }, EXACT, "a line at #{at}"
      assert_in_delta 2.4, grid.bar_edges[-2] - grid.bar_edges[-3], HEARD
      assert_equal heard.edges.first(4), grid.edges.first(4), "what is before the line stays"
    end
    assert_equal 2, (count(:steady, bar_lines: [5.25, 9.7]).grid.downbeats.map { |time| time.round(2) } & [5.25, 9.7]).size
  end

  def test_a_count_that_follows_the_playing_moves_with_it
    double = count(:ramp, bpm: count(:ramp).rhythm.bpm * 2, follows: true).grid
    single = count(:ramp).grid

    assert_equal "4/4", double.meter.name
    assert(single.edges.reject { |edge| edge > double.edges.last }.all? { |edge| double.edges.any? { |other| (other - edge).abs < HEARD } })
    assert_in_delta 2 * single.edges.size, double.edges.size, 5
    same = count(:ramp, bpm: count(:ramp).rhythm.bpm, follows: true).grid

    assert_equal single.edges, same.edges
  end

  def test_nothing_that_repeats_can_still_be_counted_as_told
    tone = Ethoscope::Audio::Recording.new(channels: Numo::SFloat.vstack([Numo::NMath.sin(Numo::SFloat.new(44_100 * 12).seq * 0.03)]), rate: 44_100)
    told = Ethoscope::Engine::CountStage.new(Ethoscope::Engine::Features.of(tone), Ethoscope::Corrections.of(bpm: 90.0, first_downbeat: 1.0), Ethoscope::Sources.none, Ethoscope::Gaps.new).result

    assert_beats even(told.grid.bar_edges.first, 90, 8), told.grid, within: EXACT, said: "90 on a tone"
    assert_includes told.grid.downbeats.map { |time| time.round(3) }, 1.0
  end
end
