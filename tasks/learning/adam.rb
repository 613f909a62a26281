# frozen_string_literal: true

module Learning
  # Steps towards better weights (Kingma & Ba, "Adam: a method for stochastic optimization", ICLR 2015).
  class Adam
    FIRST = 0.9
    SECOND = 0.999

    # @param weights [Hash{Symbol => Numo::DFloat}] changed by {#step}
    # @param penalty [Float] larger values keep weights smaller (L2)
    def initialize(weights, penalty:)
      @weights = weights
      @penalty = penalty
      @first = weights.transform_values { |array| array * 0 }
      @second = weights.transform_values { |array| array * 0 }
      @count = 0
    end

    # @param gradients [Hash{Symbol => Numo::DFloat}] of the loss
    # @param rate [Float]
    def step(gradients, rate)
      @count += 1
      gradients.each do |name, gradient|
        gradient += @weights[name] * @penalty
        @first[name] = (@first[name] * FIRST) + (gradient * (1 - FIRST))
        @second[name] = (@second[name] * SECOND) + ((gradient**2) * (1 - SECOND))
        drift = @first[name] / (1 - (FIRST**@count))
        @weights[name] -= drift / (Numo::NMath.sqrt(@second[name] / (1 - (SECOND**@count))) + 1e-8) * rate
      end
    end
  end
end
