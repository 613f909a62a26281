# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # Beats counted anew, and the changes of tempo that they could not follow. The method is our own.
    Recount = Value.of(:grid, :unkept)

    # Counts beats anew from the moments on at which a person says that the tempo changes or that a bar begins: exactly as told from there to the next such
    # moment or to the end, and as counted before. Bars are whole throughout: one that is cut short is counted as a bar of its own where at least half of it
    # is left, or else goes to the one before it, and the last one ends the song.
    class Recount
      # A change this close to a beat starts on it.
      NEAR = 0.07
      # Share of a bar that may be missing at the end of the song for the last one to count.
      MISSING = 0.25
      # A bar that is cut short counts when this share of it is left.
      BAR = 0.5

      # @param grid [BeatGrid]
      # @param changes [Array<Corrections::TempoChange>] in order of time
      # @param lines [Array<Float>] seconds at which a bar begins, in order
      # @return [Recount] the same bars up to the first change
      def self.of(grid, changes, lines = [])
        stop = grid.bar_edges.last
        unkept = []
        turns = (changes + lines.map { |line| BarLine.new(at: line) }).sort_by(&:at)
        counted = turns.reduce(grid) { |before, turn| counted_from(before, turn, stop) || (unkept.push(turn) && before) }
        new(grid: counted, unkept: unkept.grep(Corrections::TempoChange).freeze)
      end

      # A bar begins here, whatever was counted before; the beats after it keep their lengths.
      BarLine = Value.of(:at)
      private_constant :BarLine

      # @return [BeatGrid, nil] nil when no whole bar would be left before or after the change
      def self.counted_from(grid, turn, stop)
        at = turn.is_a?(BarLine) ? turn.at : moment(grid, turn)
        return nil if at >= [stop, grid.edges.last].min - NEAR
        return before_the_first(grid, turn) if at < grid.edges[grid.pickup] - NEAR

        before = whole_bars_before(grid, at)
        after = turn.is_a?(BarLine) ? moved(grid, at) : Beats.new(turn, grid.meter.beats).until(at, stop)
        return nil if after.nil? || (before.size != grid.pickup && before.size - grid.pickup < grid.meter.beats)

        BeatGrid.new(edges: before + after, pickup: grid.pickup, meter: grid.meter)
      end
      private_class_method :counted_from

      # A bar line before the first one that was counted moves all bars to it; a tempo that changes there is that of the song.
      def self.before_the_first(grid, turn)
        return nil unless turn.is_a?(BarLine)

        bar = grid.meter.beats
        beat = (grid.edges[grid.pickup + bar] - grid.edges[grid.pickup]) / bar
        line = grid.edges[grid.pickup]
        added = [((line - turn.at) / (beat * bar)).round, 0].max * bar
        edges = (1..added).map { |back| line - (back * beat) }.reverse + grid.edges[grid.pickup..]
        moved = edges.map { |edge| (edge + turn.at - edges.first).round(5) }
        BeatGrid.new(edges: moved, pickup: 0, meter: grid.meter)
      end
      private_class_method :before_the_first

      def self.moment(grid, change)
        near = grid.edges.min_by { |edge| (edge - change.at).abs }
        (near - change.at).abs < NEAR ? near : change.at
      end
      private_class_method :moment

      # Bars up to a moment: the last of them ends with it, its beats as long as each other where it was cut short or made longer.
      def self.whole_bars_before(grid, moment)
        before = grid.edges.take_while { |edge| edge < moment - NEAR }
        return before if before.size <= grid.pickup

        left = (before.size - grid.pickup) % grid.meter.beats
        return before if left.zero? && (grid.edges[before.size] || moment) <= moment + NEAR

        bar = grid.meter.beats
        last = before.size - 1 - ((before.size - 1 - grid.pickup) % bar)
        share = (moment - before[last]) / bar_length(grid, last)
        last -= bar if share < BAR && last - bar >= grid.pickup
        before.first(last) + (0...bar).map { |beat| (before[last] + ((moment - before[last]) * beat / bar)).round(5) }
      end
      private_class_method :whole_bars_before

      def self.bar_length(grid, first)
        after = grid.edges[first + grid.meter.beats]
        after ? after - grid.edges[first] : (grid.edges[first + 1] - grid.edges[first]) * grid.meter.beats
      end
      private_class_method :bar_length

      # The beats from the nearest bar line on, moved to a moment; nil where none is left.
      def self.moved(grid, moment)
        nearest = (grid.pickup...grid.edges.size).step(grid.meter.beats).min_by { |place| (grid.edges[place] - moment).abs }
        after = grid.edges[nearest..].map { |edge| (edge + moment - grid.edges[nearest]).round(5) }
        after.size > grid.meter.beats ? after : nil
      end
      private_class_method :moved

      # The beats that a change of tempo counts from a moment on.
      class Beats
        # @param change [Corrections::TempoChange]
        # @param per_bar [Integer] beats in a bar
        def initialize(change, per_bar)
          @change = change
          @per_bar = per_bar
        end

        # @param start [Float] seconds
        # @param stop [Float] seconds at which the song ends
        # @return [Array<Float>, nil] edges of whole bars' beats; nil where no whole bar fits
        def until(start, stop)
          bars = 0
          bars += 1 while start + seconds((bars + 1 - MISSING) * @per_bar) <= stop
          bars < 1 ? nil : (0..(bars * @per_bar)).map { |beat| (start + seconds(beat)).round(5) }
        end

        private

        # Seconds from the change to a beat, in a ramp with the tempo moving evenly from beat to beat.
        def seconds(beat)
          return beat * 60.0 / @change.bpm unless @change.ramp? && (@change.to - @change.bpm).abs > 1e-9

          within = [beat, length].min
          slope = (@change.to - @change.bpm) / length
          (60.0 * Math.log(1 + (slope * within / @change.bpm)) / slope) + ((beat - within) * 60.0 / @change.to)
        end

        def length = @change.bars * @per_bar.to_f
      end
      private_constant :Beats
    end
  end
end
