# frozen_string_literal: true

module Ethoscope
  module Form
    # How likely a section starts at a bar: a network with one small hidden layer over {BoundaryFeatures}. The weights in
    # boundary_weights.csv were learnt by `rake learn:boundaries`. The method is our own.
    class BoundaryModel
      WEIGHTS_FILE = File.join(__dir__, "boundary_weights.csv")
      # Features are held within so many spreads of their mean.
      LIMIT = 4.0

      # @return [BoundaryModel] with the weights that ship with Ethoscope
      def self.shipped = @shipped ||= new(Signal::WeightTable.read(WEIGHTS_FILE))

      # @param table [Signal::WeightTable] rows BoundaryFeatures::NAMES, "bias" and "out"; columns "mean", "scale", "straight" and hidden units
      def initialize(table)
        names = BoundaryFeatures::NAMES
        hidden = table.columns - %w[mean scale straight]
        @mean, @scale, @straight = %w[mean scale straight].map { |column| table.block(names, [column]).flatten }
        @into = table.block(names, hidden)
        @bias = table.block(["bias"], hidden)
        @out = table.block(["out"], hidden).flatten
        @offset = table.block(["bias"], ["straight"])[0, 0]
        freeze
      end

      # @param rows [Numo::DFloat] shape [n, BoundaryFeatures::NAMES]
      # @return [Numo::DFloat] shape [n], natural log of the odds for a boundary
      def log_odds(rows)
        scaled = ((rows - @mean) / @scale).clip(-LIMIT, LIMIT)
        hidden = (Numo::Linalg.dot(scaled, @into) + @bias).clip(0, nil)
        Numo::Linalg.dot(scaled, @straight) + Numo::Linalg.dot(hidden, @out) + @offset
      end
    end
  end
end
