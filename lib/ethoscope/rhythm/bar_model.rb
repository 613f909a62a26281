# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # Gives every {BarHypothesis} its share of the belief: a conditional logit over the whole list (McFadden, 1974) whose
    # score has a straight part and one small hidden layer. The weights in bar_weights.csv were learnt from songs with known
    # truth by `rake learn:bars`.
    class BarModel
      WEIGHTS_FILE = File.join(__dir__, "bar_weights.csv")
      # Features are held within this range before and after they are put on a common scale, so that one odd curve can't decide alone.
      LIMIT = 4.0

      # A hypothesis with its probability.
      Weighed = Value.of(:hypothesis, :odds)

      # @return [BarModel] with the weights that ship with Ethoscope
      def self.shipped = @shipped ||= new(Signal::WeightTable.read(WEIGHTS_FILE))

      # @param table [Signal::WeightTable] rows HypothesisFeatures::NAMES, "bias" and "out"; columns "mean", "scale", "straight" and hidden units
      # @raise [KeyError] when a weight is missing
      def initialize(table)
        names = HypothesisFeatures::NAMES.map(&:to_s)
        hidden = table.columns - %w[mean scale straight]
        @mean, @scale, @straight = %w[mean scale straight].map { |column| table.block(names, [column]).transpose.dup }
        @into = table.block(names, hidden)
        @bias = table.block(["bias"], hidden)
        @out = table.block(["out"], hidden).flatten
        freeze
      end

      # @param features [Array<Array<Float>>, Numo::DFloat] one row a hypothesis
      # @return [Numo::DFloat] the same, put on a common scale
      def scaled(features)
        ((Numo::DFloat.cast(features).clip(-LIMIT, LIMIT) - @mean) / @scale).clip(-LIMIT, LIMIT)
      end

      # @param hypotheses [Array<BarHypothesis>]
      # @return [Array<Weighed>] best first, odds adding up to one
      def weigh(hypotheses)
        return [] if hypotheses.empty?

        rows = scaled(hypotheses.map(&:features))
        hidden = (Numo::Linalg.dot(rows, @into) + @bias).clip(0, nil)
        scores = (rows * @straight).sum(axis: 1) + (hidden * @out).sum(axis: 1)
        belief = Numo::NMath.exp(scores - scores.max)
        odds = (belief / belief.sum).to_a
        hypotheses.zip(odds).map { |hypothesis, share| Weighed.new(hypothesis:, odds: share) }.sort_by { |weighed| -weighed.odds }
      end
    end
  end
end
