# frozen_string_literal: true

module Ethoscope
  module Signal
    # A small network that can be read: inputs with names, one hidden layer of rectified units, and for each output a likelihood of its own
    # (after Rumelhart, Hinton & Williams, "Learning representations by back-propagating errors", Nature 1986).
    class Network
      # @param table [WeightTable] rows inputs, "bias" and hidden units; columns hidden units and outputs
      # @param inputs [Array<String>]
      # @param outputs [Array<String>]
      # @raise [KeyError] when a weight is missing
      def initialize(table, inputs, outputs)
        hidden = table.columns - outputs
        @into = table.block(inputs, hidden)
        @bias = table.block(["bias"], hidden)
        @out = table.block(hidden, outputs)
        @out_bias = table.block(["bias"], outputs)
        freeze
      end

      # @param rows [Numo::DFloat] shape [n, inputs]
      # @return [Numo::DFloat] shape [n, outputs], 0 to 1
      def likelihood(rows)
        hidden = (Numo::Linalg.dot(rows, @into) + @bias).clip(0, nil)
        1 / (1 + Numo::NMath.exp((Numo::Linalg.dot(hidden, @out) + @out_bias) * -1))
      end
    end
  end
end
