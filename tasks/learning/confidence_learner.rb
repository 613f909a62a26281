# frozen_string_literal: true

require "yaml"

module Learning
  # Learns the curves of {Ethoscope::Engine::Confidence}: a logistic regression of right and wrong on the logit of the stated odds, one a kind.
  class ConfidenceLearner
    STEPS = 3000
    RATE = 0.02
    # Draws a kind with few statements towards leaving its odds as they are.
    PENALTY = 2.0
    BINS = [0.0, 0.5, 0.7, 0.8, 0.9, 0.95, 1.001].freeze

    # @param song [Corpus::Song]
    # @param confidence [Ethoscope::Engine::Confidence]
    # @return [Array] statements, see {Judge}
    def self.measure(song, confidence: Ethoscope::Engine::Confidence.raw)
      Judge.new(Ethoscope::Engine::Pipeline.new(song.features, confidence:).analysis.to_h, song.truth).statements
    end

    # @param measured [Array<Array>] statements of each song
    def initialize(measured)
      @kinds = measured.flatten(1).group_by(&:first)
    end

    # @return [Hash{String => Array<Float>}] offset and slope by kind
    def learn = @kinds.transform_values { |rows| fit(rows) }

    # @return [Array<Array>] kind, bin, count, mean stated confidence, share right
    def reliability
      @kinds.flat_map do |kind, rows|
        BINS.each_cons(2).filter_map do |low, high|
          inside = rows.select { |_, stated, _| stated >= low && stated < high }
          next if inside.empty?

          [kind, "#{low}-#{[high, 1.0].min}", inside.size, inside.sum { |row| row[1] } / inside.size, inside.sum(&:last) / inside.size]
        end
      end
    end

    private

    def fit(rows)
      held = Numo::DFloat[*rows.map { |row| row[1].clamp(Ethoscope::Engine::Confidence::BOUNDS) }]
      logit = Numo::NMath.log(held / (1 - held))
      right = Numo::DFloat[*rows.map(&:last)]
      weights = { curve: Numo::DFloat[0.0, 1.0] }
      adam = Adam.new(weights, penalty: 0.0)
      STEPS.times do
        belief = 1 / (1 + Numo::NMath.exp((logit * weights[:curve][1] * -1) - weights[:curve][0]))
        pull = (weights[:curve] - Numo::DFloat[0.0, 1.0]) * PENALTY / rows.size
        adam.step({ curve: Numo::DFloat[(belief - right).mean, ((belief - right) * logit).mean] + pull }, RATE)
      end
      weights[:curve].to_a.map { |weight| weight.round(3) }
    end
  end
end
