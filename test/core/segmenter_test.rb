# frozen_string_literal: true

require_relative "../test_helper"

# Sections from features that are given.
class SegmenterTest < Ethoscope::TestCase
  Form = Ethoscope::Form
  # Stands in for BarFeatures.
  Features = Struct.new(:timbre, :harmony) do
    def size = timbre.shape[0]
  end

  def test_a_change_of_timbre_is_a_boundary
    assert_equal [0...8, 8...16], sections([["a", 8], ["b", 8]])
  end

  def test_lengths_of_eight_are_preferred_to_seven_and_nine
    assert_equal [8, 8, 8], sections([["a", 8], ["b", 8], ["a", 8]]).map(&:size)
  end

  def test_a_song_that_never_changes_is_cut_by_length_alone
    ranges = sections([["a", 16]])

    assert_equal 16, ranges.sum(&:size)
    assert_operator ranges.size, :<=, 2
  end

  def test_sections_cover_all_bars_in_order
    ranges = sections([["a", 5], ["b", 9], ["c", 7]])

    assert_equal((0...21).to_a, ranges.flat_map(&:to_a))
  end

  def test_what_returns_shares_its_letter_and_the_loudest_is_the_chorus
    labelled = label([["a", 8], ["b", 8], ["a", 8], ["b", 8]], "b" => -10, "a" => -16)

    assert_equal %w[A B A B], labelled.map(&:letter)
    assert_equal %w[verse chorus verse chorus], labelled.map(&:label)
  end

  def test_a_start_and_an_end_that_are_heard_once_are_intro_and_outro
    labelled = label([["i", 4], ["a", 8], ["b", 8], ["a", 8], ["b", 8], ["o", 4]], "i" => -30, "o" => -28, "a" => -14, "b" => -10)

    assert_equal "intro", labelled.first.label
    assert_equal "outro", labelled.last.label
  end

  def test_a_quiet_part_inside_that_is_heard_once_is_a_breakdown
    labelled = label([["a", 8], ["b", 8], ["q", 8], ["a", 8], ["b", 8]], "a" => -14, "b" => -10, "q" => -32)

    assert_equal "breakdown", labelled[2].label
    assert_match(/quiet/, labelled[2].reason)
  end

  private

  # Timbre and harmony of each kind of bar, from a fixed seed.
  def features(plan)
    kinds = plan.flat_map { |kind, count| [kind] * count }
    timbre = kinds.map { |kind| vector("t#{kind}", 6) }
    harmony = kinds.map { |kind| vector("h#{kind}", 48).then { |row| scale(row) } }
    Features.new(Numo::DFloat.cast(timbre), Numo::DFloat.cast(harmony))
  end

  def vector(seed, size)
    random = Random.new(seed.sum)
    Array.new(size) { random.rand(-1.0..1.0) }
  end

  def scale(row)
    length = Math.sqrt(row.sum { |value| value**2 })
    row.map { |value| value / length }
  end

  def sections(plan) = Form::Segmenter.new(features(plan)).sections

  def label(plan, energies)
    total = plan.sum(&:last)
    ranges = plan.each_with_object([]) { |(_, count), out| out << ((out.last&.end || 0)...((out.last&.end || 0) + count)) }
    energy = plan.flat_map { |kind, count| [energies.fetch(kind).to_f] * count }
    grid = Ethoscope::Rhythm::BeatGrid.new(edges: (0..(total * 4)).map { |beat| beat * 0.5 }, pickup: 0, meter: Ethoscope::Rhythm::Meter.named("4/4"))
    Form::Labeler.new(features(plan), ranges, energy, grid).sections
  end
end
