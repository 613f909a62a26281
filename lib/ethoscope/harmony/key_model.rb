# frozen_string_literal: true

module Ethoscope
  module Harmony
    # Gives each of sixty keys (twelve tonics in five modes) its share of the belief: a log-linear model over all of them
    # (McFadden, 1974). The weights in key_weights.csv were learnt by `rake learn:keys`.
    class KeyModel
      WEIGHTS_FILE = File.join(__dir__, "key_weights.csv")
      MODES = %w[major minor dorian mixolydian phrygian].freeze

      # @return [KeyModel] with the weights that ship with Ethoscope
      def self.shipped = @shipped ||= new(Signal::WeightTable.read(WEIGHTS_FILE))

      # @param table [Signal::WeightTable] rows KeyEvidence::NAMES and "bias", columns MODES
      def initialize(table)
        @weights = table.block(KeyEvidence::NAMES, MODES)
        @bias = table.block(["bias"], MODES)
        freeze
      end

      # @param rows [Numo::DFloat] shape [12, KeyEvidence::NAMES], see {KeyEvidence#rows}
      # @return [Numo::DFloat] shape [12, MODES], odds adding up to one
      def odds(rows)
        scores = Numo::Linalg.dot(rows, @weights) + @bias
        odds = Numo::NMath.exp(scores - scores.max)
        odds / odds.sum
      end
    end
  end
end
