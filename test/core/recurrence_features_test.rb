# frozen_string_literal: true

require_relative "../test_helper"

# Bars in what comes back, on songs of two or three parts that are given.
class RecurrenceFeaturesTest < Ethoscope::TestCase
  Features = Ethoscope::Form::RecurrenceFeatures

  def test_a_stretch_that_is_heard_elsewhere_begins_where_the_bar_before_is_another
    rows = features("aaaaaaaabbbbbbbbccccccccbbbbbbbb")
    from_here = column(rows, "comes back from here for 8")

    assert_in_delta 1.5, column(rows, "comes back for 8")[8 - 1], 0.6
    assert_operator from_here[8 - 1], :>, from_here[9 - 1] + 0.3
    assert_operator from_here[24 - 1], :>, from_here[26 - 1] + 0.3
  end

  def test_what_a_bar_is_like_changes_where_a_part_begins
    lags = column(features("aaaaaaaabbbbbbbbccccccccbbbbbbbb"), "lags of chords over 4")

    [8, 16, 24].each { |bar| assert_operator lags[bar - 1], :>, lags[bar + 4 - 1] }
  end

  def test_a_song_that_is_too_short_to_come_back
    rows = features("abcd")

    assert_equal [3, Features::NAMES.size], [rows.size, rows.first.size]
    assert_in_delta 0.0, column(rows, "comes back for 4").sum
    assert_empty features("a")
  end

  private

  # One row of chords, registers and strokes for each letter and place in its part of eight bars.
  def features(letters)
    streams = [24, 10, 48].map do |size|
      Numo::DFloat.vstack(letters.chars.each_with_index.map { |letter, bar| row((letter.ord * 7) + (bar % 8), size) })
    end
    Features.new(unit(streams[0]), *streams.drop(1)).rows
  end

  def row(seed, size)
    random = Random.new(seed)
    Numo::DFloat[*Array.new(size) { random.rand(-1.0..1.0) }]
  end

  def unit(rows) = rows / Numo::NMath.sqrt((rows**2).sum(axis: 1, keepdims: true))

  def column(rows, name) = rows.map { |row| row[Features::NAMES.index(name)] }
end
