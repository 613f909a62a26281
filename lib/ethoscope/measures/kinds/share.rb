# frozen_string_literal: true

module Ethoscope
  module Measures
    module Kinds
      # A part of a whole, in per cent. The way is our own.
      class Share < Number
        # @return [Symbol]
        def name = :share

        # @param tolerance [Numeric]
        # @param value [Object]
        # @return [Numeric] at most half of the share itself, so that none of it is not near enough; at least half a per cent
        def bounded(tolerance, value) = tolerance.clamp(0, [(figure(value) / 2.0).round(1), 0.5].max)
      end
    end
  end
end
