# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # How well one constant pulse fits a curve, as a whole and stretch by stretch: Fourier sums at its rate, at twice and four times that, whose phases must
    # agree over the whole curve (after Grosche & Müller, "Extracting predominant local pulse information", IEEE TASLP 2011).
    class SteadyPulse
      HARMONICS = [1, 2, 4].freeze
      # The period is looked for this far around the one expected, in so many steps to each side, again and again in a sixth of the reach.
      REACH = 0.012
      STEPS = 12
      ROUNDS = 4
      NARROWER = 6
      # Sums are first taken over so many seconds, and judged over so many of those.
      HOP_SECONDS = 0.5
      STRETCH = 12
      # A constant pulse explains a curve when it reaches this share of what one that follows the playing reaches, over the whole ...
      ALIKE = 0.95
      # ... and in each stretch in which that one is clear: it reaches this share of its mean.
      EVERYWHERE = 0.88
      CLEAR = 0.35

      # @return [Float] seconds
      attr_reader :period
      # @return [Array<Float>] by stretch, how strong the pulse is there in the phase of the whole
      attr_reader :strengths

      # @param curve [Numo::DFloat] shape [frames]
      # @param rate [Float] frames per second
      # @param expected [Float] seconds
      def initialize(curve, rate, expected)
        @hop = (HOP_SECONDS * rate).round
        @rate = rate
        @series = HARMONICS.map { |harmonic| sums(curve, harmonic / expected) }
        @expected = expected
        ratio = best_ratio
        @period = expected * ratio
        @strengths = strengths_at(ratio)
      end

      # @param following [SteadyPulse] of the same curve on a clock that follows the playing
      # @return [Boolean] whether this one explains as much, everywhere
      def as_good_as?(following)
        clear = following.strengths.sum / following.strengths.size * CLEAR
        strengths.sum > ALIKE * following.strengths.sum &&
          strengths.zip(following.strengths).all? { |own, other| other.nil? || other < clear || own > EVERYWHERE * other }
      end

      private

      # Sums of the curve against one frequency, hop by hop.
      def sums(curve, frequency)
        count = curve.size / @hop
        angle = Numo::DFloat.new(count * @hop).seq * (2 * Math::PI * frequency / @rate)
        kept = curve[0...(count * @hop)]
        [Numo::NMath.cos(angle), Numo::NMath.sin(angle) * -1].map { |wave| (kept * wave).reshape(count, @hop).sum(axis: 1) }
      end

      # The same against that frequency divided by the ratio: what is left turns slowly.
      def turned(harmonic, ratio)
        real, imaginary = @series[HARMONICS.index(harmonic)]
        angle = (Numo::DFloat.new(real.size).seq + 0.5) * (@hop / @rate * 2 * Math::PI * harmonic / @expected * ((1 / ratio) - 1))
        cosine = Numo::NMath.cos(angle)
        sine = Numo::NMath.sin(angle)
        [(real * cosine) + (imaginary * sine), (imaginary * cosine) - (real * sine)]
      end

      def best_ratio
        reach = REACH
        ROUNDS.times.reduce(1.0) do |best, _|
          ratios = (-STEPS..STEPS).map { |step| best * (1 + (reach * step / STEPS)) }
          reach /= NARROWER
          ratios.max_by { |ratio| HARMONICS.sum { |harmonic| turned(harmonic, ratio).then { |real, imaginary| Math.hypot(real.sum, imaginary.sum) } } }
        end
      end

      def strengths_at(ratio)
        HARMONICS.map { |harmonic| projected(*turned(harmonic, ratio)) }.transpose.map(&:sum)
      end

      # Each stretch's sum in the direction of the whole.
      def projected(real, imaginary)
        length = [Math.hypot(real.sum, imaginary.sum), 1e-12].max
        along = ((real * real.sum) + (imaginary * imaginary.sum)) / length
        along.to_a.each_slice(STRETCH).map(&:sum)
      end
    end
  end
end
