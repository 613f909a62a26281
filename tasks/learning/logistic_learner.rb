# frozen_string_literal: true

module Learning
  # A logistic regression with a small penalty, by steps down the cross-entropy.
  class LogisticLearner
    STEPS = 2000
    RATE = 0.05
    PENALTY = 2e-3
    COLUMN = "weight"

    # @param names [Array<String>] of the features
    # @param rows [Array<Array<Float>>] for each example its features, and 1.0 where it is so, else 0.0
    def initialize(names, rows)
      all = Numo::DFloat.cast(rows)
      @names = names
      @wanted = all[true, -1].dup
      raw = all[true, 0...-1].dup
      @mean = raw.mean(axis: 0)
      @scale = Numo::NMath.sqrt(((raw - @mean)**2).mean(axis: 0)) + 1e-6
      @inputs = (raw - @mean) / @scale
    end

    # @return [Ethoscope::Signal::WeightTable] a weight for each feature in its own units, and "bias"
    def learn
      weights = { slopes: Numo::DFloat.zeros(@names.size), bias: Numo::DFloat.zeros(1) }
      adam = Adam.new(weights, penalty: PENALTY)
      STEPS.times do
        excess = (belief(weights) - @wanted) / @wanted.size
        adam.step({ slopes: Numo::Linalg.dot(@inputs.transpose.dup, excess), bias: Numo::DFloat[excess.sum] }, RATE)
      end
      table(weights)
    end

    private

    def belief(weights) = 1 / (1 + Numo::NMath.exp((Numo::Linalg.dot(@inputs, weights[:slopes]) + weights[:bias]) * -1))

    def table(weights)
      slopes = weights[:slopes] / @scale
      Ethoscope::Signal::WeightTable.new([COLUMN], { "bias" => [weights[:bias][0] - (slopes * @mean).sum], **@names.each_with_index.to_h { |name, i| [name, [slopes[i]]] } })
    end
  end
end
