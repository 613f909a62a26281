# frozen_string_literal: true

module Ethoscope
  module Measures
    # How close a value came to a target, in the words of the work: exact within a quarter of the tolerance, close within it, ballpark within twice.
    # The way is our own.
    module Closeness
      ALL = %w[exact close ballpark substituted missing].freeze

      # @param distance [Float]
      # @param tolerance [Numeric] in the same unit
      # @return [String] one of ALL; a tolerance of zero knows exact and missing only
      def self.of(distance, tolerance)
        return "exact" if distance <= tolerance / 4.0
        return "close" if distance <= tolerance

        distance <= tolerance * 2 ? "ballpark" : "missing"
      end
    end
  end
end
