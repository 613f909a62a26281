# frozen_string_literal: true

module Learning
  # Learns the weights of {Ethoscope::Harmony::KeyModel}: a conditional logit over sixty keys. Each mode's weights are those of
  # its third plus its own, so that rare modes borrow from common ones.
  class KeyLearner
    Model = Ethoscope::Harmony::KeyModel
    STEPS = 500
    RATE = 0.03
    PENALTY = 5e-4
    OWN_PENALTY = 3
    MINOR = Model::MODES.map { |mode| Ethoscope::Harmony::Key::SCALES.fetch(mode).include?(3) }.freeze

    # One song: shape [12, inputs], and its tonic and mode.
    Example = Ethoscope::Value.of(:rows, :tonic, :mode)

    # @param song [Corpus::Song]
    # @return [Array] rows as nested arrays, tonic, mode
    def self.measure(song)
      hearing = Ethoscope::Engine::Hearing.new(song.features)
      spans = song.truth[:keys].group_by { |key| key.values_at(:tonic, :mode) }
      tonic, mode = spans.max_by { |_, keys| keys.sum { |key| key[:end] - key[:start] } }.first
      [hearing.key_evidence.rows.to_a, Ethoscope::Harmony::PitchClass.parse(tonic), mode]
    end

    # @param measured [Array] what {measure} gave for each song
    def initialize(measured)
      @examples = measured.map { |rows, tonic, mode| Example.new(rows: Numo::DFloat.cast(rows), tonic:, mode: Model::MODES.index(mode)) }
      @inputs = Numo::DFloat.vstack(@examples.map(&:rows))
    end

    # @return [Ethoscope::Signal::WeightTable]
    def learn
      size = Ethoscope::Harmony::KeyEvidence::NAMES.size
      weights = { third: Numo::DFloat.zeros(size, 2), own: Numo::DFloat.zeros(size, Model::MODES.size), bias: Numo::DFloat.zeros(Model::MODES.size) }
      adam = Adam.new(weights, penalty: 0.0)
      STEPS.times { adam.step(gradients(weights), RATE) }
      table(together(weights), weights[:bias])
    end

    private

    def thirds = MINOR.map { |minor| minor ? 1 : 0 }

    def together(weights) = weights[:own] + weights[:third][true, thirds]

    def gradients(weights)
      excess = excess(weights)
      own = Numo::Linalg.dot(@inputs.transpose.dup, excess)
      third = Numo::DFloat.zeros(own.shape[0], 2)
      thirds.each_with_index { |column, mode| third[true, column] += own[true, mode] }
      { third: third + (weights[:third] * PENALTY), own: own + (weights[:own] * PENALTY * OWN_PENALTY), bias: excess.sum(axis: 0) }
    end

    # Belief in each key less the truth, shape [songs * 12, modes].
    def excess(weights)
      scores = (Numo::Linalg.dot(@inputs, together(weights)) + weights[:bias]).reshape(@examples.size, 12 * Model::MODES.size)
      odds = Numo::NMath.exp(scores - scores.max(axis: 1, keepdims: true))
      odds /= odds.sum(axis: 1, keepdims: true)
      @examples.each_with_index { |example, i| odds[i, (example.tonic * Model::MODES.size) + example.mode] -= 1 }
      (odds / @examples.size).reshape(@inputs.shape[0], Model::MODES.size)
    end

    def table(weights, bias)
      cells = Ethoscope::Harmony::KeyEvidence::NAMES.each_with_index.to_h { |name, i| [name, weights[i, true].to_a] }
      Ethoscope::Signal::WeightTable.new(Model::MODES, cells.merge("bias" => bias.to_a))
    end
  end
end
