# frozen_string_literal: true

module Learning
  # Learns the weights of {Ethoscope::Rhythm::BarModel}: a conditional logit over the hypotheses of each song
  # (McFadden, 1974), by gradient ascent with a penalty on large weights.
  class BarLearner
    # Larger values keep weights smaller.
    PENALTY = 0.02
    STEPS = 600
    RATE = 0.05
    # A downbeat is right within this many seconds; a hypothesis when this share of its downbeats is.
    NEAR = 0.07
    ENOUGH = 0.8

    # What one song offers: features, shape [hypotheses, features], and which of them are right.
    Example = Ethoscope::Value.of(:name, :features, :right)

    # @param song [Corpus::Song]
    # @return [Array(String, Array, Array)] name, features and right or wrong, as plain data
    def self.measure(song)
      evidence, pulse, warp = evidence_of(song.recording)
      hypotheses = Ethoscope::Rhythm::BarFeatures.new(evidence, pulse).hypotheses
      [song.name, hypotheses.map(&:features), hypotheses.map { |hypothesis| right?(hypothesis, warp, evidence.duration, song.truth) }]
    end

    def self.evidence_of(recording)
      samples = Ethoscope::Audio::Resampler.halve(recording.mono)
      long = Ethoscope::Signal::LongTime.new(samples, recording.rate / 2.0)
      onset = Ethoscope::Signal::OnsetStrength.new(Ethoscope::Signal::ShortTime.new(samples, recording.rate / 2.0))
      change = Ethoscope::Harmony::Change.new(long, Ethoscope::Harmony::Tuning.measure(long).cents)
      pulse = Ethoscope::Rhythm::Pulse.new(onset)
      warp = Ethoscope::Rhythm::TimeWarp.new(onset, pulse.period)
      [Ethoscope::Rhythm::Evidence.new(onset, change.treble, change.bass, warp, pulse.period), pulse, warp]
    end
    private_class_method :evidence_of

    def self.right?(hypothesis, warp, duration, truth)
      return false unless hypothesis.meter.name == truth[:meter]

      bar = hypothesis.period * hypothesis.meter.beats
      count = ((duration - hypothesis.first_downbeat) / bar).floor
      times = warp.to_seconds((Numo::DFloat.new(count).seq * bar) + hypothesis.first_downbeat).to_a
      wanted = truth[:downbeats]
      inside = times.grep((wanted.first - 0.1)..(wanted.last + 0.1))
      hits = inside.count { |time| wanted.any? { |other| (other - time).abs < NEAR } }
      hits > ENOUGH * [inside.size, wanted.size - 1].max
    end
    private_class_method :right?

    # @param measured [Array] what {measure} gave for each song
    def initialize(measured)
      @examples = measured.filter_map do |name, features, right|
        next unless right.any?

        rows = Numo::DFloat.cast(features).clip(-Ethoscope::Rhythm::BarModel::LIMIT, Ethoscope::Rhythm::BarModel::LIMIT)
        Example.new(name:, features: rows, right: Numo::DFloat[*right.map { |is| is ? 1.0 : 0.0 }])
      end
    end

    # @return [Integer] songs with at least one right hypothesis
    def size = @examples.size

    # @param examples [Array<Example>]
    # @return [Numo::DFloat] one weight a feature
    def learn(examples = @examples)
      weights = Numo::DFloat.zeros(examples.first.features.shape[1])
      first = weights.dup
      second = weights.dup
      (1..STEPS).each do |step|
        gradient = examples.sum { |example| gradient_of(example, weights) } / examples.size
        gradient -= weights * PENALTY
        # Adam (Kingma & Ba, ICLR 2015).
        first = (first * 0.9) + (gradient * 0.1)
        second = (second * 0.999) + ((gradient**2) * 0.001)
        weights += (first / (1 - (0.9**step))) / (Numo::NMath.sqrt(second / (1 - (0.999**step))) + 1e-8) * RATE
      end
      weights
    end

    # @param folds [Integer]
    # @return [Float] share of left-out songs whose likeliest hypothesis is right
    def cross_validate(folds = 5)
      hits = (0...folds).sum do |fold|
        left_out, kept = @examples.each_with_index.partition { |_, i| i % folds == fold }.map { |part| part.map(&:first) }
        accuracy(left_out, weights: learn(kept)) * left_out.size
      end
      hits / size
    end

    # @param examples [Array<Example>]
    # @param weights [Numo::DFloat]
    # @return [Float] share of songs whose likeliest hypothesis is right
    def accuracy(examples = @examples, weights:)
      examples.count { |example| example.right[(example.features * weights).sum(axis: 1).max_index].positive? } / examples.size.to_f
    end

    private

    # Gradient of the log of the belief in all right hypotheses together.
    def gradient_of(example, weights)
      scores = (example.features * weights).sum(axis: 1)
      belief = Numo::NMath.exp(scores - scores.max)
      belief /= belief.sum
      right = belief * example.right
      share = [right.sum, 1e-12].max
      Numo::Linalg.dot(example.features.transpose.dup, (right / share) - belief)
    end
  end
end
