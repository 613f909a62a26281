# frozen_string_literal: true

module Learning
  # Learns the network of {Ethoscope::Form::BoundaryModel} from bars of which it is known whether a section starts there.
  class BoundaryLearner
    Features = Ethoscope::Form::BoundaryFeatures
    Model = Ethoscope::Form::BoundaryModel
    HIDDEN = 16
    STEPS = 1200
    RATE = 0.02
    PENALTY = 2e-3
    # A bar starts a section when the truth has one this near, in seconds.
    NEAR = 0.3

    # @param song [Corpus::Song]
    # @return [Array, nil] features as a binary matrix, and 1.0 or 0.0 for each bar but the first; nil for a song of one bar
    def self.measure(song)
      hearing = Ethoscope::Engine::Hearing.new(song.features)
      grid = hearing.grid
      return nil if grid.bars < 2

      starts = song.truth[:sections].map { |section| section[:start] }
      wanted = grid.bar_edges[1...-1].map { |edge| starts.any? { |start| (start - edge).abs < NEAR } ? 1.0 : 0.0 }
      [Numo::SFloat.cast(hearing.boundary_features.rows).to_binary, wanted]
    end

    # @param measured [Array] what {measure} gave for each song
    def initialize(measured)
      raw = Numo::DFloat.cast(Numo::SFloat.vstack(measured.map { |binary, wanted| Numo::SFloat.from_binary(binary).reshape(wanted.size, Features::NAMES.size) }))
      @mean = raw.mean(axis: 0)
      @scale = Numo::NMath.sqrt(((raw - @mean)**2).mean(axis: 0)) + 1e-6
      @inputs = ((raw - @mean) / @scale).clip(-Model::LIMIT, Model::LIMIT)
      @turned = @inputs.transpose.dup
      @wanted = Numo::DFloat[*measured.flat_map(&:last)]
    end

    # @return [Ethoscope::Signal::WeightTable]
    def learn
      random = Random.new(0)
      size = Features::NAMES.size
      weights = { straight: Numo::DFloat.zeros(size), offset: Numo::DFloat.zeros(1), bias: Numo::DFloat.zeros(HIDDEN),
                  into: Numo::DFloat.cast(Array.new(size) { Array.new(HIDDEN) { random.rand(-0.2..0.2) } }),
                  out: Numo::DFloat[*Array.new(HIDDEN) { random.rand(-0.2..0.2) }] }
      adam = Adam.new(weights, penalty: PENALTY)
      STEPS.times { |step| adam.step(gradients(weights), RATE * 0.5 * (1 + Math.cos(Math::PI * step / STEPS))) }
      table(weights)
    end

    private

    def gradients(weights)
      before = Numo::Linalg.dot(@inputs, weights[:into]) + weights[:bias]
      hidden = before.clip(0, nil)
      scores = Numo::Linalg.dot(@inputs, weights[:straight]) + Numo::Linalg.dot(hidden, weights[:out]) + weights[:offset]
      excess = ((1 / (1 + Numo::NMath.exp(scores * -1))) - @wanted) / @wanted.size
      of_hidden = excess.reshape(excess.size, 1) * weights[:out] * Numo::DFloat.cast(before.gt(0))
      { straight: Numo::Linalg.dot(@turned, excess), offset: Numo::DFloat[excess.sum], into: Numo::Linalg.dot(@turned, of_hidden),
        bias: of_hidden.sum(axis: 0), out: Numo::Linalg.dot(hidden.transpose.dup, excess) }
    end

    def table(weights)
      columns = %w[mean scale straight] + (1..HIDDEN).map { |unit| "hidden #{unit}" }
      cells = Features::NAMES.each_with_index.to_h { |name, i| [name, [@mean[i], @scale[i], weights[:straight][i], *weights[:into][i, true].to_a]] }
      cells["bias"] = [nil, nil, weights[:offset][0], *weights[:bias].to_a]
      cells["out"] = [nil, nil, nil, *weights[:out].to_a]
      Ethoscope::Signal::WeightTable.new(columns, cells)
    end
  end
end
