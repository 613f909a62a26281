# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # Counts beats anew from the moments on at which a person says that the tempo changes: even beats from there to the next
    # change or to the end.
    module Recount
      # A change this close to a beat starts on it.
      NEAR = 0.07

      # @param grid [BeatGrid]
      # @param changes [Array<Corrections::TempoChange>] in order of time
      # @return [BeatGrid] the same up to the first change
      def self.of(grid, changes)
        changes.reduce(grid) { |counted, change| apply(counted, change, grid.edges.last) }
      end

      def self.apply(grid, change, stop)
        near = grid.edges.min_by { |edge| (edge - change.at).abs }
        at = (near - change.at).abs < NEAR ? near : change.at
        before = grid.edges.take_while { |edge| edge < at - NEAR }
        beat = 60.0 / change.bpm
        after = (0..((stop - at) / beat).round).map { |count| (at + (count * beat)).round(5) }
        edges = before + after
        # The bar in which the change falls must end with it, so that the new count starts on a first beat.
        short = (before.size - grid.pickup) % grid.meter.beats
        edges = before[0...(before.size - short)] + after if short.positive? && before.size > short
        BeatGrid.new(edges:, pickup: grid.pickup, meter: grid.meter)
      rescue ArgumentError
        grid
      end
      private_class_method :apply
    end
  end
end
