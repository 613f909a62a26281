# frozen_string_literal: true

module Ethoscope
  module Signal
    # The median over nine neighbours at once for whole arrays, by a network of exchanges
    # (N. Devillard, "Fast median search: an ANSI C implementation", 1998).
    module Median
      # Pairs that are put in order one after another; the median ends up in the middle.
      NETWORK = [[1, 2], [4, 5], [7, 8], [0, 1], [3, 4], [6, 7], [1, 2], [4, 5], [7, 8], [0, 3], [5, 8], [4, 7], [3, 6], [1, 4], [2, 5], [4, 7], [4, 2],
                 [6, 4], [4, 2]].freeze
      TAPS = 9

      # @param layers [Array<Numo::SFloat>] nine arrays of one shape
      # @return [Numo::SFloat] element by element their median
      # @raise [ArgumentError] unless there are nine
      def self.of(layers)
        raise ArgumentError, "nine layers are needed" unless layers.size == TAPS

        sorted = layers.dup
        NETWORK.each do |low, high|
          sorted[low], sorted[high] = Numo::SFloat.minimum(sorted[low], sorted[high]), Numo::SFloat.maximum(sorted[low], sorted[high])
        end
        sorted[4]
      end

      # @param rows [Numo::SFloat] shape [n + 8, bins]
      # @return [Numo::SFloat] shape [n, bins], each row the median of the nine around it
      def self.down(rows)
        count = rows.shape[0] - TAPS + 1
        of((0...TAPS).map { |tap| rows[tap...(tap + count), true] })
      end

      # @param rows [Numo::SFloat] shape [n, bins]
      # @param step [Integer] how far the nine lie apart
      # @return [Numo::SFloat] shape [n, bins], each element the median of the nine around it in its row; beyond the edges the edge goes on
      def self.across(rows, step)
        bins = rows.shape[1]
        reach = step * (TAPS / 2)
        columns = ((-reach)..(bins - 1 + reach)).map { |bin| bin.clamp(0, bins - 1) }
        wide = rows[true, columns]
        of((0...TAPS).map { |tap| wide[true, (tap * step)...((tap * step) + bins)] })
      end
    end
  end
end
