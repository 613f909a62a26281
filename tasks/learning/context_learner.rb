# frozen_string_literal: true

module Learning
  # Learns the network of {Ethoscope::Rhythm::StrokeContext} from songs whose notes are known, over what the stroke and attack models that ship hear.
  class ContextLearner
    Rhythm = Ethoscope::Rhythm
    Model = Rhythm::StrokeContext
    HIDDEN = 48
    EPOCHS = 20
    PENALTY = 3e-3

    # @param song [Corpus::Song] with NAME.mid beside it
    # @return [Array, nil] inputs and targets of all steps, section by section, as binary matrices; nil without notes
    def self.measure(song)
      written, drums = Written.heard(song)
      return nil unless written

      steps = drums.steps
      heard = Rhythm::StrokesInContext.heard(drums, song.features.spectra, Rhythm::BassAttacks.shipped)
      struck = Numo::DFloat.dstack(Model::PIECES.map { |piece| written.struck(piece, steps.bars, steps.steps) })
      sections = written.sections.map { |bars| bars.begin...[bars.end, steps.bars].min }.reject(&:none?)
      inputs = Numo::SFloat.vstack(sections.map { |bars| Numo::SFloat.cast(Model.inputs(drums.acoustics, heard, steps.per_beat, bars)) })
      targets = Numo::SFloat.vstack(sections.map { |bars| Numo::SFloat.cast(struck[bars.to_a, true, true]).reshape(bars.size * steps.steps, Model::PIECES.size) })
      [inputs, targets].map(&:to_binary)
    end

    # @param measured [Array] what {measure} gave for each song
    def initialize(measured)
      @inputs, @targets = NetworkLearner.matrices(measured, [Model::NAMES.size, Model::PIECES.size])
    end

    # @return [Ethoscope::Signal::WeightTable]
    def learn = NetworkLearner.new(@inputs, @targets, names: Model::NAMES, outputs: Model::PIECES, hidden: HIDDEN, epochs: EPOCHS, penalty: PENALTY).learn
  end
end
