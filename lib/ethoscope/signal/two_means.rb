# frozen_string_literal: true

module Ethoscope
  module Signal
    # Rows of figures in two groups, so that their middles lie as far apart as they can, weighed by the sizes of the groups (J. MacQueen, "Some methods for
    # classification and analysis of multivariate observations", 1967).
    class TwoMeans
      # Up to so many rows every two are tried as the middles from which to set out.
      MANY = 16
      ROUNDS = 12

      # @param rows [Array<Array<Float>>] all of the same length, not empty
      def initialize(rows)
        @rows = Numo::DFloat.cast(rows)
        @size = rows.size
      end

      # @return [Array(Array<Integer>, Array<Integer>), nil] rows of each group by their place; nil where one would be a single row
      def groups = starts.filter_map { |start| grown(@rows[start, true]) }.uniq.max_by { |groups| between(groups) }

      private

      # Every two rows, or of many the one that lies farthest from the middle and the one farthest from that.
      def starts
        return [*0...@size].combination(2).to_a if @size <= MANY

        first = farthest(@rows.mean(axis: 0))
        [[first, farthest(@rows[first, true])]]
      end

      def farthest(point) = squares(point).max_index

      def squares(point) = ((@rows - point)**2).sum(axis: 1)

      def grown(middles)
        groups = nil
        ROUNDS.times do
          near = squares(middles[0, true]) <= squares(middles[1, true])
          now = [near, ~near].map { |mask| mask.where.to_a }
          return nil if now.any? { |group| group.size < 2 }
          break if now == groups

          groups = now
          middles = Numo::DFloat.vstack(groups.map { |group| middle(group) })
        end
        groups.sort
      end

      def middle(group) = @rows[group, true].mean(axis: 0)

      def between(groups)
        one, other = groups.map { |group| middle(group) }
        groups.map(&:size).reduce(:*) * ((one - other)**2).sum
      end
    end
  end
end
