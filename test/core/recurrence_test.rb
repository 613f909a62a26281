# frozen_string_literal: true

require_relative "../test_helper"

# Bars that sound alike tell each other's chords.
class RecurrenceTest < Ethoscope::TestCase
  # Two chords' sounds, in turn; rows of length one.
  SOUNDS = [Numo::DFloat[1, 0, 0, 0], Numo::DFloat[0, 1, 0, 0], Numo::DFloat[0, 0, 1, 0], Numo::DFloat[0, 0, 0, 1]].freeze

  def recurrence(bars, first: 1) = Ethoscope::Harmony::Recurrence.new(Numo::DFloat.vstack(bars.map { |sound| SOUNDS[sound] }), first, 2)

  # Belief of two states over two half beats a bar, with half a bar before.
  def belief(bars) = Numo::DFloat.cast([[-1.0, -1.0], *bars.flat_map { |first| [[first, -1.0], [first, -1.0]] }])

  def test_a_bar_that_is_unclear_hears_what_its_likes_say
    unclear = [-0.1] * 8
    unclear[5] = -3.0
    told = recurrence([0, 1, 2, 3] * 2).spread(belief(unclear))

    assert_operator told[11, 0], :>, -1.5
    assert_in_delta(-0.1, told[1, 0], 1e-9)
  end

  def test_what_is_alone_stays_as_it_is
    rows = belief([-0.1, -2.0, -0.5, -3.0])

    assert_in_delta 0.0, (recurrence([0, 1, 2, 3]).spread(rows) - rows).abs.max, 1e-9
  end

  def test_half_beats_outside_the_bars_and_very_short_songs_are_left_alone
    rows = belief([-0.1])

    assert_equal rows.to_a, recurrence([0]).spread(rows).to_a
    assert_equal [-1.0, -1.0], recurrence([0, 1] * 4).spread(belief([-0.1] * 8))[0, true].to_a
  end
end
