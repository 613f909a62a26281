# frozen_string_literal: true

require "yaml"

module Ethoscope
  module Engine
    # Turns a stage's own odds into the share of such statements that are right: a logistic curve a kind of statement
    # (Platt, "Probabilistic outputs for support vector machines", 1999). The curves in confidence_curves.yml were learnt by
    # `rake learn:confidence` from songs that taught nothing else; docs/accuracy.md shows how they hold on others.
    class Confidence
      CURVES_FILE = File.join(__dir__, "confidence_curves.yml")
      # Odds are held within these bounds, for nobody is ever certain.
      BOUNDS = (0.01..0.995)

      # @return [Confidence] with the curves that ship with Ethoscope
      def self.shipped = @shipped ||= new(YAML.safe_load_file(CURVES_FILE))

      # @return [Confidence] that leaves odds as they are
      def self.raw = new({})

      # @param curves [Hash{String => Array<Float>}] offset and slope on the logit axis by kind
      def initialize(curves)
        @curves = curves.transform_values(&:freeze).freeze
        freeze
      end

      # @param kind [Symbol] of statement, such as :key; kinds without a curve stay as they are
      # @param odds [Float] 0 to 1
      # @return [Float] 0 to 1
      def of(kind, odds)
        offset, slope = @curves.fetch(kind.to_s, [0.0, 1.0])
        held = odds.clamp(BOUNDS)
        (1 / (1 + Math.exp(-(offset + (slope * Math.log(held / (1 - held))))))).clamp(BOUNDS).round(3)
      end

      # Alternatives to a statement that is so sure: where their odds and its own come to more than one, they share what it leaves.
      #
      # @param confidence [Float]
      # @param others [Array<Value>] with odds
      # @return [Array<Value>] the same with odds that fit
      def beside(confidence, others)
        sum = others.sum(&:odds)
        share = sum.positive? ? [1.0, (1 - confidence) / sum].min : 1.0
        others.map { |one| one.class.new(**one.to_h, odds: (one.odds * share).floor(3)) }
      end
    end
  end
end
