# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # The strongest regular pulse of a recording and the pulses related to it by small ratios, whichever of them is the beat.
    #
    # Windowed autocorrelation of onset strength and a comb over its multiples (Scheirer, JASA 1998; Percival &
    # Tzanetakis, "Streamlined tempo estimation", IEEE TASLP 2014).
    class Pulse
      WINDOW_SECONDS = 12.0
      HOP_SECONDS = 3.0
      LONGEST_LAG = 7.0
      PERIODS = (0.26..1.45)
      # Beats that are counted lie well within: 42 to 222 BPM.
      WITHIN = (0.27..1.43)
      STEPS_PER_OCTAVE = 120
      COMB_TEETH = 6
      # Around a lag the largest correlation counts.
      NEAR = [0.98, 0.99, 1.0, 1.01, 1.02].freeze
      RATIOS = [Rational(1, 3), Rational(1, 2), Rational(2, 3), 1, Rational(3, 2), 2, 3].freeze

      # Noise repeats by chance up to about a third of this; the faintest pulse of music heard so far is at twice.
      FAINTEST = 0.06
      # From here on a pulse is clear.
      CLEAR = 0.14

      # @return [Float] the period of the strongest pulse in seconds; nil when nothing repeats
      attr_reader :period
      # @return [Numo::DFloat] mean autocorrelation, one value per onset frame of lag
      attr_reader :correlation

      # @param onset [Signal::OnsetStrength]
      def initialize(onset)
        @rate = onset.rate
        @correlation = mean_correlation(onset.total)
        @values = @correlation.to_a.freeze
        @scores = comb_scores
        best = @scores.max_index
        @period = @scores[best] > FAINTEST ? grid[best] : nil
        freeze
      end

      # @return [Float] 0 to 1: how far the pulse stands out of what chance gives
      def clarity = ((@scores.max - FAINTEST) / (CLEAR - FAINTEST)).clamp(0.0, 1.0)

      # @return [Array<Float>] periods in seconds that could be the beat, those within the range a person taps
      def related
        return [] unless period

        RATIOS.map { |ratio| period * ratio.to_f }.grep(WITHIN)
      end

      # @param lag [Float] seconds
      # @return [Float] autocorrelation near that lag (the largest within 2 %)
      def correlation_at(lag)
        NEAR.map { |ratio| read(lag * @rate * ratio) }.max
      end

      private

      # In plain Ruby, since a handful of places is not worth an array.
      def read(place)
        low = place.floor.clamp(0, @values.size - 2)
        share = (place - low).clamp(0.0, 1.0)
        (@values[low] * (1 - share)) + (@values[low + 1] * share)
      end

      def grid
        steps = (Math.log2(PERIODS.end / PERIODS.begin) * STEPS_PER_OCTAVE).floor
        Array.new(steps) { |i| PERIODS.begin * (2**(i.to_f / STEPS_PER_OCTAVE)) }
      end

      def mean_correlation(onset)
        size = [(WINDOW_SECONDS * @rate).round, onset.size].min
        hop = (HOP_SECONDS * @rate).round
        lags = (LONGEST_LAG * @rate).round
        sum = Numo::DFloat.zeros(lags)
        (0..[onset.size - size, 0].max).step(hop) do |start|
          window = onset[start...(start + size)]
          energy = Math.sqrt((window**2).sum)
          next unless energy.positive?

          sum += Signal::Series.autocorrelation(window - window.mean, lags) * energy
        end
        top = sum[0]
        top.positive? ? sum / top : sum
      end

      def comb_scores
        periods = Numo::DFloat[*grid]
        score = Numo::DFloat.zeros(periods.size)
        weight = 0.0
        (1..COMB_TEETH).each do |tooth|
          lags = periods * (tooth * @rate)
          share = 1.0 / Math.sqrt(tooth)
          inside = Numo::DFloat.cast(lags < correlation.size - 1)
          score += Signal::Series.sample(correlation, lags) * inside * share
          weight += share
        end
        score / weight
      end
    end
  end
end
