# frozen_string_literal: true

require_relative "../test_helper"

# Sections from odds and features that are given.
class SegmenterTest < Ethoscope::TestCase
  Form = Ethoscope::Form
  # Stands in for BarFeatures.
  Features = Struct.new(:timbre, :harmony) do
    def size = timbre.shape[0]
  end

  # Stands in for BoundaryModel: the odds for a boundary at each bar.
  Model = Struct.new(:odds) do
    def log_odds(_rows) = odds
  end
  # Stands in for Segmenter: how sure every boundary is.
  Cuts = Struct.new(:sections, :sure) do
    def confidence(_range) = sure
  end

  def test_a_likely_boundary_is_one
    assert_equal [0...8, 8...16], sections(16, 8 => 3.0)
  end

  def test_lengths_of_eight_are_preferred_to_seven_and_nine
    assert_equal [8, 8, 8], sections(24, 8 => 3.0, 9 => 3.0, 16 => 3.0, 15 => 2.5).map(&:size)
  end

  def test_a_song_that_never_changes_is_hardly_cut
    assert_operator sections(16, {}).size, :<=, 2
  end

  def test_sections_cover_all_bars_in_order
    assert_equal (0...21).to_a, sections(21, 5 => 4.0, 14 => 4.0).flat_map(&:to_a)
    assert_equal [0...1], sections(1, {})
  end

  def test_a_section_is_as_sure_as_its_start
    segmenter = segmenter(16, 8 => 2.0)

    assert_in_delta 1.0, segmenter.confidence(0...8)
    assert_in_delta 1 / (1 + Math.exp(-2.0)), segmenter.confidence(8...16), 1e-9
  end

  def test_what_returns_shares_its_letter_and_the_loudest_is_the_chorus
    labelled = label([["a", 8], ["b", 8], ["a", 8], ["b", 8]], { "b" => -10, "a" => -16 })

    assert_equal %w[A B A B], labelled.map(&:letter)
    assert_equal %w[verse chorus verse chorus], labelled.map(&:label)
  end

  def test_a_start_and_an_end_that_are_heard_once_are_intro_and_outro
    labelled = label([["i", 4], ["a", 8], ["b", 8], ["a", 8], ["b", 8], ["o", 4]], { "i" => -30, "o" => -28, "a" => -14, "b" => -10 })

    assert_equal "intro", labelled.first.label
    assert_equal "outro", labelled.last.label
  end

  def test_a_quiet_part_inside_that_is_heard_once_is_a_breakdown
    labelled = label([["a", 8], ["b", 8], ["q", 8], ["a", 8], ["b", 8]], { "a" => -14, "b" => -10, "q" => -32 })

    assert_equal "breakdown", labelled[2].label
    assert_match(/quiet/, labelled[2].reason)
  end

  def test_neighbours_of_one_letter_without_a_sure_boundary_are_one_part
    plan = [["a", 8], ["a", 8], ["b", 8], ["a", 8], ["a", 8], ["b", 8]]

    assert_equal [16, 8, 16, 8], label(plan, { "a" => -14, "b" => -10 }, sure: 0.5).map(&:bars)
    assert_equal [8] * 6, label(plan, { "a" => -14, "b" => -10 }, sure: 0.8).map(&:bars)
    assert_equal [16, 16], label([["a", 8]] * 4, { "a" => -14 }, sure: 0.5).map(&:bars)
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

  def segmenter(bars, boundaries)
    odds = Numo::DFloat.cast((1...[bars, 2].max).map { |bar| boundaries.fetch(bar, -5.0) })
    Form::Segmenter.new(nil, bars, model: Model.new(odds))
  end

  def sections(bars, boundaries) = segmenter(bars, boundaries).sections

  def label(plan, energies, sure: 0.8)
    total = plan.sum(&:last)
    ranges = plan.each_with_object([]) { |(_, count), out| out << ((out.last&.end || 0)...((out.last&.end || 0) + count)) }
    energy = plan.flat_map { |kind, count| [energies.fetch(kind).to_f] * count }
    grid = Ethoscope::Rhythm::BeatGrid.new(edges: (0..(total * 4)).map { |beat| beat * 0.5 }, pickup: 0, meter: Ethoscope::Rhythm::Meter.named("4/4"))
    Form::Labeler.new(features(plan), Cuts.new(ranges, sure), energy, grid, total * 2.0).sections
  end
end
