# frozen_string_literal: true

module Learning
  # Learns the network of {Ethoscope::Rhythm::PatternModel} from songs whose notes are known: each section folded over one, two and four bars.
  class PatternLearner
    Model = Ethoscope::Rhythm::PatternModel
    PERIODS = [1, 2, 4].freeze
    HIDDEN = 24
    EPOCHS = 30

    # @param song [Corpus::Song] with NAME.mid beside it
    # @return [Array, nil] inputs and targets of all folds, as binary matrices; nil without notes
    def self.measure(song)
      written = Written.of(song)
      grid = written&.grid or return nil
      drums = Ethoscope::Rhythm::DrumSteps.new(song.features.short, Ethoscope::Rhythm::StepGrid.new(grid, written.swing))
      struck = Numo::DFloat.dstack(Model::PIECES.map { |piece| written.struck(piece, grid.bars, grid.meter.steps) })
      rows = written.sections.flat_map { |bars| folds(drums, struck, grid, bars) }
      rows.transpose.map { |matrices| Numo::SFloat.vstack(matrices).to_binary }
    end

    def self.folds(drums, struck, grid, bars)
      bars = bars.begin...[bars.end, grid.bars].min
      PERIODS.select { |period| bars.size >= period && bars.size.positive? }.map do |period|
        targets = (0...period).map { |row| struck[bars.to_a.each_slice(period).filter_map { |group| group[row] }, true, true].mean(axis: 0) }
        [Numo::SFloat.cast(drums.fold(bars, period)), Numo::SFloat.cast(Numo::DFloat.vstack(targets))]
      end
    end
    private_class_method :folds

    # @param measured [Array] what {measure} gave for each song
    def initialize(measured)
      @inputs, @targets = [Model::NAMES.size, Model::PIECES.size].each_with_index.map do |width, i|
        Numo::SFloat.vstack(measured.map { |pair| Numo::SFloat.from_binary(pair[i]).then { |flat| flat.reshape(flat.size / width, width) } })
      end
    end

    # @return [Ethoscope::Signal::WeightTable]
    def learn = NetworkLearner.new(@inputs, @targets, names: Model::NAMES, outputs: Model::PIECES, hidden: HIDDEN, epochs: EPOCHS).learn
  end
end
