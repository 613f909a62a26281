# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # Says in words why a recording could be counted at another rate, from the features of the hypotheses themselves. The method is our own.
    module TempoReasons
      # A logarithm of a ratio from which a difference is worth telling.
      CLEAR = 0.3

      # @param relation [String] of the rival to the choice, such as "half"
      # @param chosen [BarHypothesis]
      # @param rival [BarHypothesis]
      # @return [String] one clause
      def self.of(relation, chosen, rival)
        case relation
        when "half" then half(chosen, rival)
        when "double" then double(chosen)
        when "triple", "a third" then "beats divide into three"
        when "three to two", "two to three" then "accents group in threes against the beat"
        else "the pulse chosen"
        end
      end

      def self.half(chosen, rival)
        return "the snare falls on the third beat" if feature(chosen, :halftime_middle) > CLEAR
        return "the bass moves every second beat" if feature(rival, :on_bass) > feature(chosen, :on_bass) + (CLEAR / 2)

        "every second beat is weaker"
      end
      private_class_method :half

      def self.double(chosen)
        return "hats play sixteenths" if feature(chosen, :quarter_high) > -CLEAR
        return "hats fill the half beats" if feature(chosen, :half_high) > -CLEAR
        return "snare or clap fall between the beats" if feature(chosen, :half_middle).positive?

        "something is struck on the half beats"
      end
      private_class_method :double

      def self.feature(hypothesis, name) = hypothesis.features[HypothesisFeatures::NAMES.index(name)]
      private_class_method :feature
    end
  end
end
