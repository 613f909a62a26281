# frozen_string_literal: true

module Ethoscope
  module Form
    # Which lengths of sections are usual: sections are mostly built of groups of two and four bars (Temperley, "The Cognition of Basic
    # Musical Structures", 2001, ch. 3, on hypermeter).
    module SectionLength
      # Lengths up to this are rounded to pairs, longer ones to fours.
      SHORT = 3

      # @param bars [Integer]
      # @return [Boolean] true for odd lengths over one
      def self.unusual?(bars) = bars > 1 && bars.odd?

      # @param bars [Integer]
      # @return [Integer] the nearest usual length, of two that are equally near the longer
      def self.usual(bars)
        return bars unless unusual?(bars)

        step = bars <= SHORT ? 2 : 4
        [bars / step * step, ((bars / step) + 1) * step].reject(&:zero?).min_by { |length| [(length - bars).abs, -length] }
      end
    end
  end
end
