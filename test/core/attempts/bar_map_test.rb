# frozen_string_literal: true

require_relative "../../test_helper"

# Where an attempt lies on its reference, bar by bar.
class BarMapTest < Ethoscope::TestCase
  def prints(song) = Attempts::Prints.new(song.analysis)

  def map(reference, attempt, **said) = Attempts::Aligner.new(prints(reference), prints(attempt), **said).alignment

  def song(**options) = DrawnSong.new(**options)

  def test_the_same_song_lies_on_itself
    map = map(song, song(seed: 2))

    assert_equal (1..36).map { |bar| [bar, bar] }, map.pairs
    assert_equal 0, map.semitones
    assert_equal "bars", map.kind
    assert_in_delta 1.0, map.confidence, 0.05
  end

  def test_another_tempo_and_key_are_told_as_a_ratio_and_semitones
    map = map(song, song(bpm: 126.0, up: -3, seed: 2))

    assert_equal(-3, map.semitones)
    assert_in_delta 1.05, map.ratio
    assert_equal (1..36).to_a, map.bars.values
  end

  def test_a_tritone_is_as_good_as_any_other_transposition
    assert_equal 6, map(song, song(up: 6)).semitones
  end

  def test_the_end_of_a_section_that_is_cut_is_a_gap
    map = map(song, song(seed: 2).edit { |bars| bars.first(16) + bars.drop(20) })

    assert_equal [17..20], map.cut
    assert_equal 17, map.bars[21]
  end

  def test_bars_that_are_added_stand_behind_those_before_them
    map = map(song, song(seed: 2).edit { |bars| bars.first(12) + bars[4...8] + bars.drop(12) })

    assert_equal 4, map.added.sum(&:size)
    assert_includes 4..12, map.behind(map.added.first.first)
    assert_equal 40, map.bars[36]
  end

  def test_a_count_in_of_two_bars_moves_everything_by_two
    count_in = DrawnSong.new(form: [["intro", 2]]).bars.each { |bar| bar.kit = { hats: [0, 4, 8, 12] } }
    map = map(song, song(seed: 2).edit { |bars| count_in + bars })

    assert_equal [1..2], map.added
    assert_equal 3, map.bars[1]
  end

  def test_an_attempt_at_a_part_lies_on_that_part
    map = map(song, song(seed: 2).edit { |bars| bars.first(20) })

    assert_equal "part", map.kind
    assert_equal (1..20).to_a, map.bars.values
    assert_equal [21..36], map.cut
  end

  def test_a_loop_is_laid_under_every_place_where_it_fits
    map = map(song, song(seed: 2).edit { |bars| bars[4...8] })

    assert_equal "loop", map.kind
    assert_equal [1, 2, 3, 4, 1, 2, 3, 4], map.bars.values_at(*5..12)
    assert_equal [1, 2, 3, 4, 1, 2, 3, 4], map.bars.values_at(*21..28)
    refute map.bars.key?(14)
  end

  def test_another_song_is_not_forced_onto_it
    other = song(form: [["bridge", 28]], seed: 3).change(1..28) { |bar| bar.kit = { kick: [3, 6, 11], snare: [7, 15] } }
    map = map(song, other)

    refute_predicate map, :laid?
    assert_match(/can.t be aligned/, map.refused)
  end

  def test_a_person_says_where_it_begins
    map = map(song, song(seed: 2).edit { |bars| bars.first(8) }, starts: [1, 9])

    assert_equal "by hand", map.kind
    assert_equal({ 9 => 1, 10 => 2, 16 => 8 }, map.bars.slice(9, 10, 16))
    assert_nil map.to_h[:bars][0].last
    assert_nil map.refused
  end

  def test_it_is_told_with_what_is_cut_and_added
    told = map(song, song(seed: 2).edit { |bars| bars.first(32) }).to_h

    assert_equal({ reference: 120.0, attempt: 120.0, ratio: 1.0 }, told[:tempo])
    assert_equal [[33, 36]], told[:cut]
    assert_empty told[:added]
    assert_equal 36, told[:bars].size
  end
end
