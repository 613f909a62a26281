# frozen_string_literal: true

require_relative "../test_helper"

# Bars and seconds go into each other, in any meter, with a pickup or without, at a tempo that moves.
class TimelineTest < Ethoscope::TestCase
  METERS = Rhythm::Meter::ALL.map(&:name).freeze

  # A count of some bars whose beats get longer and shorter again.
  def data(meter, pickup: 0, bars: 12)
    beats = Rhythm::Meter.named(meter).beats
    edges = [0.4]
    (pickup + (bars * beats)).times { |beat| edges << (edges.last + 0.45 + (0.1 * Math.sin(beat / 7.0))).round(5) }
    lines = (0..bars).map { |bar| edges[pickup + (bar * beats)] }
    { beats: edges[0...-1], end: edges.last, pickup_beats: pickup, meter:, bars: lines.each_cons(2).map { |from, to| { start: from, end: to } } }
  end

  def each_timeline
    METERS.product([0, 1]).each do |meter, pickup|
      data = data(meter, pickup:)
      yield Sheet::Timeline.new(data), data, "#{meter}, #{pickup} before bar 1"
    end
  end

  def test_a_bar_starts_where_its_line_is
    each_timeline do |timeline, data, context|
      starts = data[:bars].map { |bar| bar[:start] }

      assert_equal starts, (1..timeline.bars).map { |bar| timeline.seconds(bar) }, context
      assert_in_delta data[:end], timeline.seconds(timeline.bars + 1), 1e-9, context
    end
  end

  def test_places_come_back_from_their_seconds
    each_timeline do |timeline, _, context|
      (1..timeline.bars).each do |bar|
        (0...(2 * timeline.beats_per_bar)).each do |half|
          beat = 1 + (half / 2.0)

          assert_equal [bar, beat], timeline.place(timeline.seconds(bar, beat)), context
        end
      end
    end
  end

  def test_the_nearest_bar_is_the_one_whose_line_is_nearest
    random = Random.new(5)
    each_timeline do |timeline, data, context|
      60.times do
        at = (random.rand * (data[:end] + 3)) - 1
        nearest = (1..timeline.bars).min_by { |bar| (timeline.seconds(bar) - at).abs }

        assert_equal nearest, timeline.bar_near(at), "#{context} at #{at}"
      end
    end
  end

  def test_a_run_of_bars_comes_back_from_its_seconds
    each_timeline do |timeline, _, context|
      (1..timeline.bars).to_a.combination(2).each do |first, last|
        assert_equal [first, last], timeline.bar_run(timeline.seconds(first), timeline.seconds(last + 1)), context
      end
    end
  end

  def test_bars_that_are_not_there_are_refused_with_those_that_are
    timeline = Sheet::Timeline.new(data("4/4"))

    [0, -1, 14, 900].each { |bar| assert_match(/bars run from 1 to 12/, assert_raises(Errors::Unfit) { timeline.seconds(bar) }.message) }
  end

  def test_moments_outside_the_song_belong_to_its_ends
    timeline = Sheet::Timeline.new(data("3/4"))

    assert_equal [1, 12], [timeline.bar_near(-40.0), timeline.bar_near(4000.0)]
    assert_equal [12, 12], timeline.bar_run(3000.0, 4000.0)
    assert_operator timeline.place(-2.0).first, :<=, 1
  end

  def test_edits_of_chords_leave_a_line_without_holes_or_laps
    sheet = Sheet::SongSheet.new(Fixture.analysis, [])
    edits = Sheet::ChordEdits.new(sheet.analysis.to_h)
    [edits.name(bar: 3, symbol: "Dm9", beat: 2.0, beats: 5.0), edits.split(bar: 2, beat: 3.0), edits.merge(bar: 1), edits.repeat(bar: 1, bars: 2, to_bar: 5, last_bar: 12),
     edits.decide(bar: 4, state: "refuted")].each_with_index do |entries, i|
      notes = entries.compact.map do |entry|
        Sheet::SheetNote.new(id: i, aspect: "chord", note: "", source: "heard", state: entry[:state] || "open", **entry.slice(:value, :from, :to))
      end
      chords = Sheet::SongSheet.new(Fixture.analysis, notes).analysis.fetch(:chords)

      chords.each_cons(2) { |one, other| assert_in_delta one[:end], other[:start], 0.02, "edit #{i}" }
      assert_in_delta sheet.analysis.fetch(:chords).sum { |chord| chord[:beats] }, chords.sum { |chord| chord[:beats] }, 0.5, "edit #{i}"
    end
  end
end
