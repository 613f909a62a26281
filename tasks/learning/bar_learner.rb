# frozen_string_literal: true

module Learning
  # Learns the weights of {Ethoscope::Rhythm::BarModel} from the hypotheses of many songs: several small networks from
  # different starts, which the table holds side by side so that they vote.
  class BarLearner
    Features = Ethoscope::Rhythm::HypothesisFeatures
    Model = Ethoscope::Rhythm::BarModel
    NETS = 4
    HIDDEN = 10
    # Larger values keep weights smaller.
    PENALTY = 0.03
    STEPS = 250
    RATE = 0.02
    # A downbeat is right within this many seconds; a hypothesis when this share of its downbeats is.
    NEAR = 0.07
    ENOUGH = 0.8

    # @param song [Corpus::Song]
    # @return [Array(String, String, Array)] name, features as a binary matrix, and right or wrong of each hypothesis
    def self.measure(song)
      features = song.features
      pulse = Ethoscope::Rhythm::Pulse.new(features.onset)
      warp = Ethoscope::Rhythm::TimeWarp.new(features.onset, pulse.period)
      evidence = Ethoscope::Rhythm::PulseEvidence.new(features.onset, features.clues, warp, pulse.period)
      hypotheses = Features.new(evidence, pulse).hypotheses
      right = hypotheses.map { |hypothesis| right?(hypothesis, warp, evidence.duration, song.truth) }
      [song.name, Numo::SFloat.cast(hypotheses.map(&:features)).to_binary, right]
    end

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

    # @param measured [Array] what {measure} gave for each song; songs without a right hypothesis teach nothing
    def initialize(measured)
      kept = measured.select { |_, _, right| right.any? }
      rows = kept.map { |_, binary, right| Numo::SFloat.from_binary(binary).reshape(right.size, Features::NAMES.size) }
      raw = Numo::DFloat.cast(Numo::SFloat.vstack(rows)).clip(-Model::LIMIT, Model::LIMIT)
      @mean = raw.mean(axis: 0)
      @scale = Numo::NMath.sqrt(((raw - @mean)**2).mean(axis: 0)) + 1e-6
      @inputs = ((raw - @mean) / @scale).clip(-Model::LIMIT, Model::LIMIT)
      @turned = @inputs.transpose.dup
      @right = kept.map { |_, _, right| Numo::DFloat[*right.map { |is| is ? 1.0 : 0.0 }] }
      @places = @right.each_with_object([0]) { |right, ends| ends << (ends.last + right.size) }.each_cons(2).map { |from, to| from...to }
    end

    # @return [Integer] songs with at least one right hypothesis
    def size = @right.size

    # @return [Ethoscope::Signal::WeightTable]
    def learn = table((0...NETS).map { |seed| net(Random.new(seed)) })

    private

    def net(random)
      size = Features::NAMES.size
      weights = { straight: Numo::DFloat.zeros(size), bias: Numo::DFloat.zeros(HIDDEN), out: Numo::DFloat[*Array.new(HIDDEN) { random.rand(-0.17..0.17) }],
                  into: Numo::DFloat.cast(Array.new(size) { Array.new(HIDDEN) { random.rand(-1.7..1.7) / Math.sqrt(size) } }) }
      adam = Adam.new(weights, penalty: PENALTY)
      STEPS.times { |step| adam.step(gradients(weights), RATE * 0.5 * (1 + Math.cos(Math::PI * step / STEPS))) }
      weights
    end

    def gradients(weights)
      before = Numo::Linalg.dot(@inputs, weights[:into]) + weights[:bias]
      hidden = before.clip(0, nil)
      excess = excess(Numo::Linalg.dot(@inputs, weights[:straight]) + Numo::Linalg.dot(hidden, weights[:out]))
      of_hidden = excess.reshape(excess.size, 1) * weights[:out] * Numo::DFloat.cast(before.gt(0))
      { straight: Numo::Linalg.dot(@turned, excess), into: Numo::Linalg.dot(@turned, of_hidden),
        bias: of_hidden.sum(axis: 0), out: Numo::Linalg.dot(hidden.transpose.dup, excess) }
    end

    # Belief in each hypothesis less what it should be: all right ones of a song share the truth as they share the belief.
    def excess(scores)
      out = Numo::DFloat.zeros(scores.size)
      @places.zip(@right) do |place, right|
        belief = Numo::NMath.exp(scores[place] - scores[place].max)
        belief /= belief.sum
        wanted = belief * right
        out[place] = (belief - (wanted / [wanted.sum, 1e-12].max)) / size
      end
      out
    end

    def table(nets)
      straight = nets.sum { |weights| weights[:straight] } / nets.size
      into = Numo::DFloat.hstack(nets.map { |weights| weights[:into] })
      columns = %w[mean scale straight] + (1..into.shape[1]).map { |unit| "hidden #{unit}" }
      cells = Features::NAMES.each_with_index.to_h { |name, i| [name.to_s, [@mean[i], @scale[i], straight[i], *into[i, true].to_a]] }
      cells["bias"] = [nil, nil, nil, *nets.flat_map { |weights| weights[:bias].to_a }]
      cells["out"] = [nil, nil, nil, *nets.flat_map { |weights| (weights[:out] / nets.size).to_a }]
      Ethoscope::Signal::WeightTable.new(columns, cells)
    end
  end
end
