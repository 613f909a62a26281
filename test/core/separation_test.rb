# frozen_string_literal: true

require_relative "../test_helper"

# Struck and steady parts of a recording.
class SeparationTest < Ethoscope::TestCase
  include Ethoscope

  RATE = 22_050

  def tone = @tone ||= Numo::NMath.sin(Numo::SFloat.new(RATE * 3).seq * (2 * Math::PI * 440 / RATE)) * 0.3

  # A hit of decaying noise every half second.
  def hits
    @hits ||= Numo::SFloat.zeros(RATE * 3).tap do |sound|
      random = Random.new(5)
      hit = Numo::SFloat.cast(Array.new(300) { |i| (random.rand - 0.5) * Math.exp(-i / 70.0) })
      5.times { |i| sound[(3000 + (i * RATE / 2))...(3300 + (i * RATE / 2))] = hit }
    end
  end

  def parts = Audio::Separation.of(Audio::Recording.new(channels: Numo::SFloat.vstack([tone + hits, tone + hits]), rate: RATE))

  def decibels(sound, reference) = 10 * Math.log10((sound**2).mean / (reference**2).mean)

  def test_a_held_tone_is_steady_and_hits_are_struck
    separated = parts

    assert_operator decibels(separated.steady[0, true] - tone, tone), :<, -25
    assert_operator decibels(separated.struck[0, true] - hits, hits), :<, -8
  end

  def test_the_parts_add_up_to_the_recording
    separated = parts

    assert_operator (separated.struck + separated.steady - Numo::SFloat.vstack([tone + hits, tone + hits])).abs.max, :<, 1e-5
  end

  def test_progress_rises_to_its_end
    shares = []
    Audio::Separation.of(Audio::Recording.new(channels: Numo::SFloat.vstack([tone]), rate: RATE)) { |share| shares << share }

    assert_equal shares.sort, shares
    assert_in_delta 1.0, shares.last
  end

  def test_the_median_of_nine_is_the_middle_one
    random = Random.new(3)
    values = Array.new(9) { Array.new(40) { random.rand } }
    median = Signal::Median.of(values.map { |row| Numo::SFloat.cast(row) })

    values.transpose.each_with_index { |column, i| assert_in_delta column.sort[4], median[i], 1e-6 }

    assert_raises(ArgumentError) { Signal::Median.of([Numo::SFloat[1]]) }
  end

  def test_medians_run_down_and_across
    row = Numo::SFloat.new(1, 20).seq
    rows = Numo::SFloat.vstack([row[0, true]] * 9)

    assert_equal [1, 20], Signal::Median.down(rows).shape
    assert_in_delta 10.0, Signal::Median.across(rows, 1)[0, 10]
    assert_in_delta 0.0, Signal::Median.across(rows, 2)[0, 0]
  end
end
