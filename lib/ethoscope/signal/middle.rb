# frozen_string_literal: true

module Ethoscope
  module Signal
    # The middle of a few figures: what is typical of them, whatever a few of them do. The method is our own.
    module Middle
      # @param figures [Array<Comparable>]
      # @return [Comparable, nil] the one in the middle, the upper one of two; nil of none
      def self.of(figures) = figures.sort[figures.size / 2]

      # @param figures [Array<Numeric>] not empty
      # @return [Float] the median: of an even number the mean of the two in the middle
      def self.median(figures)
        sorted = figures.sort
        (sorted[(sorted.size - 1) / 2] + sorted[sorted.size / 2]) / 2.0
      end
    end
  end
end
