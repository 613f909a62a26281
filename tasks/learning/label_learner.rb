# frozen_string_literal: true

module Learning
  # Learns the weights of {Ethoscope::Form::Likeness}: a logistic regression over pairs of true sections.
  class LabelLearner
    Likeness = Ethoscope::Form::Likeness
    STEPS = 2000
    RATE = 0.05
    PENALTY = 2e-3

    # @param song [Corpus::Song]
    # @return [Array<Array<Float>>] for each pair of sections its features, and 1.0 where both have one label, else 0.0
    def self.measure(song)
      hearing = Ethoscope::Engine::Hearing.new(song.features)
      edges = hearing.grid.bar_edges
      sections = song.truth[:sections].map { |section| [section[:label], bars(edges, section)] }.reject { |_, bars| bars.size < 2 }
      likeness = Likeness.new(hearing.bar_features, hearing.energy, sections.map(&:last), weights: {})
      (0...sections.size).to_a.combination(2).map { |j, i| [*likeness.features(i, j), sections[i].first == sections[j].first ? 1.0 : 0.0] }
    end

    def self.bars(edges, section)
      from, to = section.values_at(:start, :end).map { |time| edges.each_index.min_by { |i| (edges[i] - time).abs } }
      from...to
    end
    private_class_method :bars

    # @param measured [Array] what {measure} gave for each song
    def initialize(measured)
      rows = Numo::DFloat.cast(measured.flatten(1))
      @wanted = rows[true, -1].dup
      raw = rows[true, 0...-1].dup
      @mean = raw.mean(axis: 0)
      @scale = Numo::NMath.sqrt(((raw - @mean)**2).mean(axis: 0)) + 1e-6
      @inputs = (raw - @mean) / @scale
    end

    # @return [Ethoscope::Signal::WeightTable]
    def learn
      weights = { slopes: Numo::DFloat.zeros(Likeness::NAMES.size), bias: Numo::DFloat.zeros(1) }
      adam = Adam.new(weights, penalty: PENALTY)
      STEPS.times do
        excess = (belief(weights) - @wanted) / @wanted.size
        adam.step({ slopes: Numo::Linalg.dot(@inputs.transpose.dup, excess), bias: Numo::DFloat[excess.sum] }, RATE)
      end
      table(weights)
    end

    private

    def belief(weights) = 1 / (1 + Numo::NMath.exp((Numo::Linalg.dot(@inputs, weights[:slopes]) + weights[:bias]) * -1))

    # In the units of the features themselves.
    def table(weights)
      slopes = weights[:slopes] / @scale
      cells = Likeness::NAMES.each_with_index.to_h { |name, i| [name, [slopes[i]]] }
      Ethoscope::Signal::WeightTable.new(["weight"], { "bias" => [weights[:bias][0] - (slopes * @mean).sum], **cells })
    end
  end
end
