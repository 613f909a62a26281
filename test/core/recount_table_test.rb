# frozen_string_literal: true

require_relative "../test_helper"

# Whatever change of tempo is asked for, bars stay whole and in order, the last one ends the song, and what can't be followed is told.
class RecountTableTest < Ethoscope::TestCase
  TEMPI = [20.0, 61.7, 150.0, 399.0].freeze
  BARS = [2, 3, 15, 22, 29, 30].freeze
  METERS = { "4/4" => 4, "6/8" => 2, "7/8" => 7, "3/4" => 3, "2/4" => 2 }.freeze

  def grid(meter, bars: 30, pickup: 0)
    beats = METERS.fetch(meter)
    Rhythm::BeatGrid.new(edges: (0..((bars * beats) + pickup)).map { |beat| (0.4 + (beat * 0.5)).round(5) }, pickup:, meter: Rhythm::Meter.named(meter))
  end

  def recount(grid, *changes) = Rhythm::Recount.of(grid, Corrections.of(tempo_changes: changes.map { |at, bpm| { at:, bpm: } }).tempo_changes)

  def test_every_change_from_every_bar_leaves_whole_bars
    METERS.each_key do |meter|
      2.times do |pickup|
        before = grid(meter, pickup:)
        TEMPI.product(BARS).each do |bpm, bar|
          after = recount(before, [before.bar_edges[bar - 1], bpm])

          assert_whole after.grid, before, [meter, pickup, bpm, bar]
          assert_equal after.unkept.empty?, after.grid.edges != before.edges, [meter, pickup, bpm, bar].inspect
          assert_in_delta 60.0 / bpm, after.grid.edges.each_cons(2).map { |a, b| b - a }.last, 1e-4 if after.unkept.empty?
        end
      end
    end
  end

  def test_changes_that_no_bar_can_follow_are_told_and_leave_the_count
    before = grid("4/4")
    [[-3.0, 90.0], [900.0, 90.0], [before.edges.last - 0.1, 30.0]].each do |change|
      after = recount(before, change)

      assert_equal([change], after.unkept.map { |unkept| [unkept.at, unkept.bpm] })
      assert_equal before.edges, after.grid.edges
    end
  end

  def test_changes_in_a_row_hold_each_from_its_place
    after = recount(grid("4/4"), [10.4, 90.0], [20.0, 200.0], [30.1, 47.0])

    assert_empty after.unkept
    assert_whole after.grid, grid("4/4"), "three"
  end

  def test_an_analysis_tells_what_could_not_be_kept_and_its_sheet_can_be_read
    [[22.0, 150.0], [36.9, 30.0], [400.0, 90.0]].each do |at, bpm|
      analysis = Analysis.of(features: Fixture.features, corrections: Corrections.of(tempo_changes: [{ at:, bpm: }]))
      sheet = Sheet::SongSheet.new(analysis, [])
      data = sheet.analysis.to_h

      assert_operator data[:beats].last, :<, data[:end]
      assert_equal data[:bars].size, sheet.timeline.bars
      assert_equal data[:bars].size + 1, sheet.timeline.place(data[:end]).first
      assert_equal at > 30, data[:gaps].any?
    end
    gap = Analysis.of(features: Fixture.features, corrections: Corrections.of(tempo_changes: [{ at: 400.0, bpm: 90.0 }])).fetch(:gaps).first

    assert_equal ["90.00 BPM from bar 16 on", nil], gap.values_at(:what, :fault)
    assert_match(/no whole bar/, gap[:reason])
  end

  def test_a_stored_count_with_beats_behind_its_end_can_still_be_read
    data = Fixture.analysis.to_h
    odd = data.merge(beats: data[:beats] + [data[:end], data[:end] + 0.5])

    assert_equal [16, 4.5], Sheet::Timeline.new(odd).place(data[:end] - 0.25)
    assert_equal 16, Sheet::SongSheet.new(Analysis.new(odd), []).analysis.bars
  end

  private

  def assert_whole(grid, before, context)
    beats = grid.meter.beats

    assert_equal grid.edges.uniq.sort, grid.edges, context.inspect
    assert_equal 0, (grid.edges.size - 1 - grid.pickup) % beats, context.inspect
    assert_in_delta before.edges.last, grid.bar_edges.last, (grid.edges[-1] - grid.edges[-2]) * beats, context.inspect
  end
end
