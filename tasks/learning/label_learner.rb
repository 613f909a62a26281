# frozen_string_literal: true

module Learning
  # Learns the weights of {Ethoscope::Form::Likeness}: a logistic regression over pairs of true sections.
  class LabelLearner
    Likeness = Ethoscope::Form::Likeness

    # @param song [Corpus::Song]
    # @return [Array<Array<Float>>] for each pair of sections its features, and 1.0 where both have one label, else 0.0
    def self.measure(song)
      hearing = Ethoscope::Engine::Hearing.new(song.features)
      edges = hearing.grid.bar_edges
      sections = song.truth[:sections].map { |section| [section[:label], bars(edges, section)] }.reject { |_, bars| bars.size < 2 }
      likeness = Likeness.new(hearing.bar_features, hearing.energy, sections.map(&:last), weights: {})
      (0...sections.size).to_a.combination(2).map { |j, i| [*likeness.features(i, j), sections[i].first == sections[j].first ? 1.0 : 0.0] }
    end

    # @param edges [Array<Float>] seconds, of bars
    # @param section [Hash] of a truth
    # @return [Range<Integer>] its bars, from 0, end exclusive
    def self.bars(edges, section)
      from, to = section.values_at(:start, :end).map { |time| edges.each_index.min_by { |i| (edges[i] - time).abs } }
      from...to
    end

    # @param measured [Array] what {measure} gave for each song
    def initialize(measured)
      @regression = LogisticLearner.new(Likeness::NAMES, measured.flatten(1))
    end

    # @return [Ethoscope::Signal::WeightTable]
    def learn = @regression.learn
  end
end
