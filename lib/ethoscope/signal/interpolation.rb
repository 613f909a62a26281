# frozen_string_literal: true

module Ethoscope
  module Signal
    # Linear interpolation at places that are worked out once and read from several series of one length. The method is our own.
    class Interpolation
      # @param size [Integer] length of the series
      # @param at [Numo::DFloat] shape [m], fractional positions; those outside read the nearest end
      def initialize(size, at)
        at = at.clip(0, size - 1)
        @low = Numo::Int32.cast(at.floor).clip(0, [size - 2, 0].max)
        @high = (@low + 1).clip(0, size - 1)
        @share = at - @low
        freeze
      end

      # @param series [Numo::NArray] shape [size]
      # @return [Numo::DFloat] shape [m]
      def of(series)
        low = Numo::DFloat.cast(series[@low])
        low + ((series[@high] - low) * @share)
      end
    end
  end
end
