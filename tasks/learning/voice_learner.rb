# frozen_string_literal: true

module Learning
  # Learns the network of {Ethoscope::Layers::VoiceModel} from songs of which it is known when somebody sings.
  class VoiceLearner
    Model = Ethoscope::Layers::VoiceModel
    HIDDEN = 10
    EPOCHS = 25
    PENALTY = 1e-2

    # @param song [Corpus::Song]
    # @return [Array, nil] inputs and targets of all beats, as binary matrices; nil where no bar is known
    def self.measure(song)
      grid = Written.grid(song.truth) or return nil
      rows = Ethoscope::Layers::VoiceFeatures.new(song.features.short, song.features.spectra, grid.edges).rows
      spans = song.truth[:layers].select { |layer| layer[:role] == Ethoscope::Layers::Voice::ROLE }.flat_map { |layer| layer[:spans] }
      sung = grid.edges.each_cons(2).map { |from, to| spans.any? { |start, finish| ((from + to) / 2).between?(start, finish) } ? 1.0 : 0.0 }
      [Numo::SFloat.cast(rows), Numo::SFloat.cast(sung)].map(&:to_binary)
    end

    # @param measured [Array] what {measure} gave for each song
    def initialize(measured)
      @inputs, @targets = NetworkLearner.matrices(measured, [Model::INPUTS.size, 1])
    end

    # @return [Ethoscope::Signal::WeightTable]
    def learn = NetworkLearner.new(@inputs, @targets, names: Model::INPUTS, outputs: [Ethoscope::Layers::Voice::ROLE], hidden: HIDDEN, epochs: EPOCHS, penalty: PENALTY).learn
  end
end
