# frozen_string_literal: true

module Learning
  # Learns the network of {Ethoscope::Rhythm::StrokeModel} from songs whose notes are known; where only step patterns are, from the share of bars in
  # which each step of a section is struck.
  class StrokeLearner
    Model = Ethoscope::Rhythm::StrokeModel
    Rhythm = Ethoscope::Rhythm
    # Names that the truth has for the pieces.
    KEYS = %i[kick snare hat].freeze
    DRUMS = %w[kick snare hats percussion].freeze
    HIDDEN = 64
    EPOCHS = 30
    PENALTY = 1e-3

    # What a song without drums teaches: no step of it is struck.
    REST = {}.freeze

    # @param song [Corpus::Song]
    # @return [Array, nil] inputs and targets of all steps whose strokes are known, as binary matrices; a song without drums is known
    #   to rest throughout
    def self.measure(song)
      written = Written.of(song)
      written ? from_notes(song, written) : from_pattern(song)
    end

    def self.from_notes(song, written)
      grid = written.grid or return nil
      steps = Rhythm::StepGrid.new(grid, written.swing)
      struck = Numo::DFloat.dstack(Model::PIECES.map { |piece| written.struck(piece, steps.bars, steps.steps) })
      lesson(song, steps.times.flatten, Numo::SFloat.cast(struck).reshape(steps.bars * steps.steps, Model::PIECES.size))
    end
    private_class_method :from_notes

    def self.from_pattern(song)
      pattern = song.truth[:drum_pattern] || (REST unless drums?(song.truth))
      grid = Written.grid(song.truth) if pattern
      return nil unless grid && KEYS.all? { |key| pattern[key].nil? || pattern[key].size == grid.meter.steps }

      steps = Rhythm::StepGrid.new(grid, Rhythm::Swing.new(**song.truth[:swing].slice(:unit, :ratio), confidence: 1.0))
      bars = pattern.equal?(REST) ? (0...grid.bars).to_a : bars(song.truth, pattern, grid)
      bars.empty? ? nil : lesson(song, steps.times[bars, true].flatten, Numo::SFloat.vstack([wanted(pattern, grid.meter.steps)] * bars.size))
    end
    private_class_method :from_pattern

    def self.lesson(song, times, targets) = [Numo::SFloat.cast(Model.inputs(song.features.short, times)).to_binary, targets.to_binary]
    private_class_method :lesson

    # Shape [steps, KEYS]; a piece that the truth leaves out rests.
    def self.wanted(pattern, steps)
      rest = [0.0] * steps
      Numo::SFloat.cast(KEYS.map { |key| pattern[key] || rest }).transpose
    end
    private_class_method :wanted

    def self.drums?(truth) = truth[:layers].any? { |layer| DRUMS.include?(layer[:role]) }
    private_class_method :drums?

    # Bars from 0 that lie in a section with that label.
    def self.bars(truth, pattern, grid)
      spans = truth[:sections].select { |section| section[:label] == pattern[:section] }
      grid.bar_edges.each_cons(2).with_index.filter_map do |(from, to), bar|
        bar if spans.any? { |span| ((from + to) / 2).between?(span[:start], span[:end]) }
      end
    end
    private_class_method :bars

    # @param measured [Array] what {measure} gave for each song
    def initialize(measured)
      @inputs, @targets = NetworkLearner.matrices(measured, [Model::INPUTS.size, KEYS.size])
    end

    # @return [Ethoscope::Signal::WeightTable]
    def learn = NetworkLearner.new(@inputs, @targets, names: Model::INPUTS, outputs: Model::PIECES, hidden: HIDDEN, epochs: EPOCHS, penalty: PENALTY).learn
  end
end
