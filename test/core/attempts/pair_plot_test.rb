# frozen_string_literal: true

require_relative "../../test_helper"

# What a difference is seen in, of both songs in one plot.
class PairPlotTest < Ethoscope::TestCase
  def told(attempt, reference: DrawnSong.new) = Attempts::SideBySide.new(reference.analysis, attempt.analysis).to_h[:differences]

  def plot(kind, ...) = told(...).find { |difference| difference[:kind] == kind }.fetch(:evidence)

  def test_a_layer_that_is_missing_is_seen_bar_by_bar
    plot = plot("layer_missing", DrawnSong.new(seed: 2).change(13..20) { |bar| bar.kit.delete(:hats) })

    assert_equal ["presence of hats by bar", "%", 36], [plot[:title], plot[:unit], plot[:places].size]
    assert_equal (12..19).to_a, plot[:marked]
    assert_operator plot[:reference][12], :>, 90
    assert_operator plot[:attempt][12], :<, 10
    assert_in_delta plot[:reference][22], plot[:attempt][22], 5
  end

  def test_bars_that_are_cut_have_no_figure
    cut = DrawnSong.new(seed: 2, loudness: -9.0).edit { |bars| bars.first(20) + bars.drop(28) }
    plot = plot("level", cut)

    assert_equal [nil] * 8, plot[:attempt][20...28]
    assert_equal 36, plot[:attempt].size
  end

  def test_another_pattern_is_seen_step_by_step
    plot = plot("pattern", DrawnSong.new(seed: 2).change(13..20) { |bar| bar.kit[:kick] = [0, 6, 10] })

    assert_equal ["1", "", "", "", "2"], plot[:places].first(5)
    assert_equal([0, 8], plot[:reference].each_index.select { |step| plot[:reference][step] > 50 })
    assert_equal([0, 6, 10], plot[:attempt].each_index.select { |step| plot[:attempt][step] > 50 })
  end

  def test_another_chord_is_seen_in_its_notes_whatever_the_key_of_the_attempt
    plot = plot("chord", DrawnSong.new(seed: 2, up: 2).change(6..6) { |bar| bar.chord = "B:min" })
    strongest = ->(row) { row.each_index.max_by(3) { |i| row[i] }.map { |i| plot[:places][i] }.sort }

    assert_equal %w[A C F], strongest.call(plot[:reference])
    assert_equal %w[B D F#], strongest.call(plot[:attempt])
  end

  def test_bands_and_registers_are_marked_where_they_are_apart
    wide = plot("width_band", DrawnSong.new(seed: 2).sides(low_end: 0.2), reference: DrawnSong.new.sides(low_end: 0.0))
    bright = plot("brightness", DrawnSong.new(seed: 2, bright: 16))

    assert_equal ["low end"], wide[:places].values_at(*wide[:marked])
    assert_equal [20.0, 0.0], [wide[:attempt][wide[:marked].first], wide[:reference][wide[:marked].first]]
    assert_equal "2.9 to 5.7 kHz", bright[:places][7]
    assert_includes bright[:marked], 7
  end

  def test_a_key_needs_no_plot
    assert_nil(told(DrawnSong.new(seed: 2, up: 2)).find { |difference| difference[:kind] == "key" }[:evidence])
  end
end
