# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # Beats counted anew, and the changes of tempo that they could not follow. The method is our own.
    Recount = Value.of(:grid, :unkept)

    # Counts beats anew from the moments on at which a person says that the tempo changes: even beats from there to the next
    # change or to the end. Bars are whole throughout: the bar in which a change falls ends with it, and the last one ends the song.
    class Recount
      # A change this close to a beat starts on it.
      NEAR = 0.07
      # Share of a bar that may be missing at the end of the song for the last one to count.
      MISSING = 0.25

      # @param grid [BeatGrid]
      # @param changes [Array<Corrections::TempoChange>] in order of time
      # @return [Recount] the same bars up to the first change
      def self.of(grid, changes)
        stop = grid.bar_edges.last
        unkept = []
        counted = changes.reduce(grid) { |before, change| counted_from(before, change, stop) || (unkept.push(change) && before) }
        new(grid: counted, unkept: unkept.freeze)
      end

      # @return [BeatGrid, nil] nil when no whole bar would be left before or after the change
      def self.counted_from(grid, change, stop)
        at = moment(grid, change)
        beat = 60.0 / change.bpm
        bars = (((stop - at) / (beat * grid.meter.beats)) + MISSING).floor
        before = whole_bars_before(grid, at)
        return nil if bars < 1 || before.size - grid.pickup < grid.meter.beats

        BeatGrid.new(edges: before + even(at, beat, bars * grid.meter.beats), pickup: grid.pickup, meter: grid.meter)
      end
      private_class_method :counted_from

      def self.moment(grid, change)
        near = grid.edges.min_by { |edge| (edge - change.at).abs }
        (near - change.at).abs < NEAR ? near : change.at
      end
      private_class_method :moment

      # The bar in which the change falls must end with it, so that the new count starts on a first beat.
      def self.whole_bars_before(grid, moment)
        before = grid.edges.take_while { |edge| edge < moment - NEAR }
        before.first(before.size - ((before.size - grid.pickup) % grid.meter.beats))
      end
      private_class_method :whole_bars_before

      def self.even(at, beat, count) = (0..count).map { |number| (at + (number * beat)).round(5) }
      private_class_method :even
    end
  end
end
