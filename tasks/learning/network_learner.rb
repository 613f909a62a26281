# frozen_string_literal: true

module Learning
  # Learns the weights of an {Ethoscope::Signal::Network} by stochastic descent on the cross-entropy of its outputs. Several networks that start from
  # other weights and see the rows in another order are wrong about other things: side by side in one hidden layer they are averaged (bagging after
  # Breiman, "Bagging predictors", Machine Learning 1996, without drawing rows anew).
  class NetworkLearner
    BATCH = 1024
    RATE = 0.01
    PENALTY = 1e-4

    # @param inputs [Numo::SFloat] shape [n, names]
    # @param targets [Numo::SFloat] shape [n, outputs], 0 to 1
    # @param names [Array<String>] of the inputs
    # @param outputs [Array<String>]
    # @param hidden [Integer] units of the hidden layer
    # @param epochs [Integer] how often all rows are gone through
    # @param penalty [Float] larger values keep weights smaller
    # @param networks [Integer] how many are averaged, each with as many hidden units
    def initialize(inputs, targets, names:, outputs:, hidden:, epochs:, penalty: PENALTY, networks: 1)
      @networks = networks
      @inputs = inputs
      @targets = targets
      @names = names
      @outputs = outputs
      @hidden = hidden
      @epochs = epochs
      @penalty = penalty
    end

    # @return [Ethoscope::Signal::WeightTable]
    def learn
      learnt = (0...@networks).map { |seed| descended(Random.new(seed)) }
      table({ into: Numo::DFloat.hstack(learnt.map { |one| one[:into] }), bias: Numo::DFloat.hstack(learnt.map { |one| one[:bias] }),
              out: Numo::DFloat.vstack(learnt.map { |one| one[:out] }) / @networks, out_bias: learnt.sum { |one| one[:out_bias] } / @networks })
    end

    private

    def descended(random)
      draw = ->(rows, columns, scale) { Numo::DFloat.cast(Array.new(rows) { Array.new(columns) { random.rand(-1.7..1.7) * scale } }) }
      weights = { into: draw.call(@names.size, @hidden, 0.15), bias: Numo::DFloat.zeros(@hidden), out: draw.call(@hidden, @outputs.size, 0.1),
                  out_bias: Numo::DFloat.zeros(@outputs.size) }
      adam = Adam.new(weights, penalty: @penalty)
      @epochs.times do |epoch|
        rate = RATE * 0.5 * (1 + Math.cos(Math::PI * epoch / @epochs))
        (0...@inputs.shape[0]).to_a.shuffle(random:).each_slice(BATCH) { |batch| adam.step(gradients(weights, batch), rate) }
      end
      weights
    end

    def gradients(weights, batch)
      rows = Numo::DFloat.cast(@inputs[batch, true])
      before = Numo::Linalg.dot(rows, weights[:into]) + weights[:bias]
      hidden = before.clip(0, nil)
      belief = 1 / (1 + Numo::NMath.exp((Numo::Linalg.dot(hidden, weights[:out]) + weights[:out_bias]) * -1))
      excess = (belief - @targets[batch, true]) / batch.size
      of_hidden = Numo::Linalg.dot(excess, weights[:out].transpose.dup) * Numo::DFloat.cast(before.gt(0))
      { into: Numo::Linalg.dot(rows.transpose.dup, of_hidden), bias: of_hidden.sum(axis: 0), out: Numo::Linalg.dot(hidden.transpose.dup, excess),
        out_bias: excess.sum(axis: 0) }
    end

    def table(weights)
      units = (1..(@hidden * @networks)).map { |unit| "hidden #{unit}" }
      cells = @names.each_with_index.to_h { |name, i| [name, weights[:into][i, true].to_a] }
      cells["bias"] = weights[:bias].to_a + weights[:out_bias].to_a
      units.each_with_index { |name, i| cells[name] = ([nil] * units.size) + weights[:out][i, true].to_a }
      Ethoscope::Signal::WeightTable.new(units + @outputs, cells)
    end
  end
end
