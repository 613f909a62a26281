# frozen_string_literal: true

module Ethoscope
  module Signal
    # The straight line through points that fits best by least squares: its slope, and the root mean square of what is left (Legendre, 1805).
    StraightLine = Value.of(:slope, :left) do
      # @param points [Array<Array(Numeric, Numeric)>] x and y, at least two with different x
      # @return [StraightLine]
      def self.through(points)
        x, y = points.transpose.map { |values| values.sum / values.size.to_f }
        slope = points.sum { |at, value| (at - x) * (value - y) } / points.sum { |at, _| (at - x)**2 }
        new(slope:, left: Math.sqrt(points.sum { |at, value| (value - y - (slope * (at - x)))**2 } / points.size))
      end
    end
  end
end
