# frozen_string_literal: true

module Learning
  # Learns the weights of {Ethoscope::Techniques::OctaveModel} from pairs of true sections of one label: whether the second has a part an octave above the first.
  class OctaveLearner
    Features = Ethoscope::Techniques::RegisterFeatures
    KIND = "octave_shift"
    # A sighting belongs to the section that starts this near, in seconds.
    NEAR = 0.5

    # @param song [Corpus::Song]
    # @return [Array<Array<Float>>] for each pair of sections its features, and 1.0 where it is so, else 0.0
    def self.measure(song)
      hearing = Ethoscope::Engine::Hearing.new(song.features)
      rows = Features.rows(hearing.notes)
      passages = song.truth[:sections].map { |section| { label: section[:label], octaves: octaves(song.truth, section), rows: rows[half_beats(hearing.grid, section), true] } }
      passages.permutation(2).select { |was, is| was[:label] == is[:label] }.map { |was, is| [*Features.new(was[:rows], is[:rows]).to_a, is[:octaves] > was[:octaves] ? 1.0 : 0.0] }
    end

    # How many octaves a part is moved there.
    def self.octaves(truth, section)
      truth[:techniques].find { |one| one[:kind] == KIND && (one[:start] - section[:start]).abs < NEAR }&.fetch(:semitones).to_i / Features::OCTAVE
    end
    private_class_method :octaves

    def self.half_beats(grid, section)
      bars = LabelLearner.bars(grid.bar_edges, section)
      first, last = [bars.begin, bars.end].map { |bar| 2 * (grid.pickup + (bar * grid.meter.beats)) }
      first = [first, 2 * (grid.pickup + ((grid.bars - 1) * grid.meter.beats))].min
      first...[last, first + (2 * grid.meter.beats)].max
    end
    private_class_method :half_beats

    # @param measured [Array] what {measure} gave for each song
    def initialize(measured)
      @regression = LogisticLearner.new(Features::NAMES, measured.flatten(1))
    end

    # @return [Ethoscope::Signal::WeightTable]
    def learn = @regression.learn
  end
end
