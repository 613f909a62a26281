# frozen_string_literal: true

require "yaml"

module Ethoscope
  module Rhythm
    # Gives every {BarHypothesis} its share of the belief: a log-linear model over the whole list (conditional logit;
    # McFadden, 1974). The weights in bar_weights.yml were learnt from songs with known truth; `rake learn:bars` learns others.
    class BarModel
      WEIGHTS_FILE = File.join(__dir__, "bar_weights.yml")
      # Features are held within this range, so that one odd curve can't decide alone.
      LIMIT = 4.0

      # A hypothesis with its probability.
      Weighed = Value.of(:hypothesis, :odds)

      # @return [BarModel] with the weights that ship with Ethoscope
      def self.shipped = new(YAML.safe_load_file(WEIGHTS_FILE))

      # @param weights [Hash{String => Float}] one for each of BarFeatures::NAMES
      # @raise [KeyError] when a weight is missing
      def initialize(weights)
        @weights = Numo::DFloat[*BarFeatures::NAMES.map { |name| weights.fetch(name.to_s) }]
      end

      # @param hypotheses [Array<BarHypothesis>]
      # @return [Array<Weighed>] best first, odds adding up to one
      def weigh(hypotheses)
        return [] if hypotheses.empty?

        features = Numo::DFloat.cast(hypotheses.map(&:features)).clip(-LIMIT, LIMIT)
        scores = (features * @weights).sum(axis: 1)
        belief = Numo::NMath.exp(scores - scores.max)
        odds = (belief / belief.sum).to_a
        hypotheses.zip(odds).map { |hypothesis, share| Weighed.new(hypothesis:, odds: share) }.sort_by { |weighed| -weighed.odds }
      end
    end
  end
end
