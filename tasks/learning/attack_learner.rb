# frozen_string_literal: true

module Learning
  # Learns the network of {Ethoscope::Rhythm::BassAttacks} from songs whose notes are known.
  class AttackLearner
    Model = Ethoscope::Rhythm::BassAttacks
    HIDDEN = 12
    EPOCHS = 20
    PENALTY = 3e-3

    # @param song [Corpus::Song] with NAME.mid beside it
    # @return [Array, nil] inputs and targets of all steps, as binary matrices; nil without notes
    def self.measure(song)
      written, drums = Written.heard(song)
      return nil unless written

      steps = drums.steps
      inputs = Model.inputs(song.features.spectra, steps.times.flatten, *[drums.acoustics, drums.heard].map { |rows| rows.reshape(rows.shape[0] * rows.shape[1], rows.shape[2]) })
      [inputs, written.struck("bass", steps.bars, steps.steps).reshape(inputs.shape[0], 1)].map { |matrix| Numo::SFloat.cast(matrix).to_binary }
    end

    # @param measured [Array] what {measure} gave for each song
    def initialize(measured)
      @inputs, @targets = NetworkLearner.matrices(measured, [Model::NAMES.size, 1])
    end

    # @return [Ethoscope::Signal::WeightTable]
    def learn = NetworkLearner.new(@inputs, @targets, names: Model::NAMES, outputs: ["bass"], hidden: HIDDEN, epochs: EPOCHS, penalty: PENALTY).learn
  end
end
