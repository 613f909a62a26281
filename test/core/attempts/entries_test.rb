# frozen_string_literal: true

require_relative "../../test_helper"

# Layers that come in or stop early or late, where notes tell it.
class EntriesTest < Ethoscope::TestCase
  # A lead in the choruses, bars 13 to 20 and 29 to 36.
  def song(seed: 1, bars: [13..20, 29..36])
    DrawnSong.new(seed:, told: true).write("lead") { |bar| bars.any? { |run| run.cover?(bar) } ? [[0, 69], [1, 72], [2, 76 - (bar % 3)]] : [] }
  end

  def differences(attempt, reference: song) = Attempts::SideBySide.new(reference.analysis, attempt.analysis).differences

  def told(...) = differences(...).map { |one| [one.kind, one.role, one.bars] }

  def test_where_both_come_in_together_nothing_is_told
    assert_empty told(song(seed: 2))
  end

  def test_a_late_entry
    found = differences(song(seed: 2, bars: [15..20, 29..36]))

    assert_equal [["entry", "lead", [[13, 14]]]], told(song(seed: 2, bars: [15..20, 29..36]))
    assert_equal ["The lead comes in two bars late: in bar 15, not 13.", ["Let the lead come in with bar 13."]], [found.first.words, found.first.how]
  end

  def test_an_early_entry_and_an_early_exit
    assert_equal [["entry", "lead", [[12, 12]]], ["exit", "lead", [[19, 20]]]], told(song(seed: 2, bars: [12..18, 29..36])).sort
  end

  def test_what_comes_in_a_section_later_is_missing_there_and_not_late
    assert_equal [["layer_missing", "lead", [[13, 20]]]], told(song(seed: 2, bars: [29..36]))
  end

  def test_a_kick_that_comes_in_late_plays_no_other_pattern
    late = song(seed: 2)
    late.change(5..6) { |bar| bar.kit.delete(:kick) }

    assert_equal [["entry", "kick", [[5, 6]]]], told(late)
  end

  def test_a_bar_s_rest_is_no_exit
    kinds = told(song(seed: 2, bars: [13..15, 17..20, 29..36])).map(&:first)

    assert_empty kinds & %w[entry exit]
  end
end
