# frozen_string_literal: true

module Ethoscope
  module Attempts
    module Finders
      # Runs of pieces of the song in which something is so, with how likely that is. The way is our own; see {Odds} and {Runs} for the sources of its parts.
      class Course
        # Bars (from 1) in which a state holds, and how likely it is in the mean.
        Run = Value.of(:state, :bars, :sure) do
          # @param state [String]
          # @param sure [Float]
          # @return [Run] the same bars in another state
          def with(state:, sure:) = self.class.new(state:, bars:, sure:)
        end
        # Differences are few, but to overlook one costs more than to tell one too many: that nothing differs counts for this much less.
        CAUTION = 0.06
        # A run in which no piece is likelier than this is no difference.
        LEAST = 0.07

        # @param odds [Odds]
        # @param rows [Numo::DFloat] evidence by piece
        # @param laid [Laid]
        def initialize(odds, rows, laid)
          @states = odds.states
          @odds = odds.of(rows).to_a
          @pieces = laid.pieces.to_a
          @borders = laid.reference.borders.to_set
        end

        # @return [Array<Run>] of all states but the first: one of each that is sure, and one that is doubtful, wherever in the song that is so
        def runs
          single.group_by { |run| [run.state, run.sure < Difference::DOUBTFUL] }.map do |(state, _), group|
            Run.new(state:, bars: group.flat_map(&:bars), sure: group.map(&:sure).max)
          end
        end

        private

        def single
          path = Runs.of(@odds.map { |same, *others| [same * CAUTION, *others] }, @pieces.map { |piece| @borders.include?(piece.reference.first + 1) })
          groups = path.each_index.slice_when { |a, b| path[a] != path[b] || @pieces[b].reference.first != @pieces[a].reference.last + 1 }
          groups.reject { |group| path[group.first].zero? }.filter_map { |group| run(group, path[group.first]) }
        end

        def run(group, state)
          shares = group.map { |i| @odds[i][state] }
          return nil if shares.max < LEAST

          Run.new(state: @states[state], bars: group.flat_map { |i| @pieces[i].reference }.map { |bar| bar + 1 }, sure: (shares.sum / shares.size).round(3))
        end
      end
    end
  end
end
