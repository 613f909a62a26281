# frozen_string_literal: true

module Learning
  # Learns the weights of an {Ethoscope::Signal::Network} by stochastic descent on the cross-entropy of its outputs.
  class NetworkLearner
    BATCH = 1024
    RATE = 0.01
    PENALTY = 1e-4

    # @param measured [Array<Array(String, ...)>] by song, matrices of 32-bit floats as binary strings
    # @param widths [Array<Integer>] columns of each
    # @return [Array<Numo::SFloat>] the songs' matrices of each kind, one under the other
    def self.matrices(measured, widths)
      widths.each_with_index.map do |width, i|
        Numo::SFloat.vstack(measured.map { |song| Numo::SFloat.from_binary(song[i]).then { |flat| flat.reshape(flat.size / width, width) } })
      end
    end

    # @param inputs [Numo::SFloat] shape [n, names]
    # @param targets [Numo::SFloat] shape [n, outputs], 0 to 1
    # @param names [Array<String>] of the inputs
    # @param outputs [Array<String>]
    # @param hidden [Integer] units of the hidden layer
    # @param epochs [Integer] how often all rows are gone through
    # @param penalty [Float] larger values keep weights smaller
    def initialize(inputs, targets, names:, outputs:, hidden:, epochs:, penalty: PENALTY)
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
      random = Random.new(0)
      draw = ->(rows, columns, scale) { Numo::DFloat.cast(Array.new(rows) { Array.new(columns) { random.rand(-1.7..1.7) * scale } }) }
      weights = { into: draw.call(@names.size, @hidden, 0.15), bias: Numo::DFloat.zeros(@hidden), out: draw.call(@hidden, @outputs.size, 0.1),
                  out_bias: Numo::DFloat.zeros(@outputs.size) }
      adam = Adam.new(weights, penalty: @penalty)
      @epochs.times do |epoch|
        rate = RATE * 0.5 * (1 + Math.cos(Math::PI * epoch / @epochs))
        (0...@inputs.shape[0]).to_a.shuffle(random:).each_slice(BATCH) { |batch| adam.step(gradients(weights, batch), rate) }
      end
      table(weights)
    end

    private

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
      units = (1..@hidden).map { |unit| "hidden #{unit}" }
      cells = @names.each_with_index.to_h { |name, i| [name, weights[:into][i, true].to_a] }
      cells["bias"] = weights[:bias].to_a + weights[:out_bias].to_a
      units.each_with_index { |name, i| cells[name] = ([nil] * units.size) + weights[:out][i, true].to_a }
      Ethoscope::Signal::WeightTable.new(units + @outputs, cells)
    end
  end
end
