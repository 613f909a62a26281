# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # How well counts of a song go with the beats and first beats that the listening network heard frame by frame: each beat of
    # a count that is heard speaks for it, each that is not speaks against it (as in the observations of Böck, Krebs & Widmer,
    # "Joint beat and downbeat tracking with recurrent neural networks", ISMIR 2016).
    class BeatsHeard
      # What is heard of one beat and what of the next are not told apart by chance alone: so much of a beat's odds counts.
      TRUST = 0.08
      # Likelihoods are held within these odds.
      LIMIT = 4.0
      # A song has so many seconds of evidence at the most: longer ones do not grow surer without end.
      MOST_SECONDS = 120.0

      # @param heard [#at, nil] the network's likelihoods, see {Ear::Likelihoods}; without them no count is better than another
      # @param clock [TimeWarp, SteadyClock]
      # @param duration [Float] musical seconds
      def initialize(heard, clock, duration)
        @heard = heard
        @clock = clock
        @duration = duration
        @odds = {}
      end

      # @param hypotheses [Array<BarHypothesis>]
      # @return [Numo::DFloat] shape [n], natural logarithms of how much more likely each is, up to a constant
      def scores(hypotheses)
        return Numo::DFloat.zeros(hypotheses.size) unless @heard

        Numo::DFloat[*hypotheses.map { |one| score(one) }] * (TRUST * [1.0, MOST_SECONDS / @duration].min)
      end

      private

      def score(hypothesis)
        beats, firsts = odds(hypothesis.period, hypothesis.first_downbeat % hypothesis.period)
        first = (hypothesis.first_downbeat / hypothesis.period).floor % hypothesis.meter.beats
        places = Numo::Int32.new([(beats.size - first).fdiv(hypothesis.meter.beats).ceil, 0].max).seq(first, hypothesis.meter.beats)
        beats.sum + (places.empty? ? 0.0 : firsts[places].sum)
      end

      # Odds of a beat and of a first beat at every beat of a period and phase.
      def odds(period, phase)
        @odds[[period, phase.round(6)]] ||= begin
          times = @clock.to_seconds((Numo::DFloat.new([((@duration - phase) / period).floor, 1].max).seq * period) + phase)
          %w[beat downbeat].map { |kind| Numo::NMath.log(@heard.at(kind, times).clip(1e-6, 1 - 1e-6).then { |share| share / (1 - share) }).clip(-LIMIT, LIMIT) }
        end
      end
    end
  end
end
