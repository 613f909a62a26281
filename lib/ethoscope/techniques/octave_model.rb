# frozen_string_literal: true

module Ethoscope
  module Techniques
    # How likely a part plays an octave higher in a passage than in another one that has the same music: a logistic regression over {RegisterFeatures}. The weights
    # in octave_weights.csv were learnt by `rake learn:octaves`. The method is our own.
    class OctaveModel
      WEIGHTS_FILE = File.join(__dir__, "octave_weights.csv")
      COLUMN = "weight"

      # @return [OctaveModel] with the weights that ship with Ethoscope
      def self.shipped = @shipped ||= new(Signal::WeightTable.read(WEIGHTS_FILE))

      # @param table [Signal::WeightTable] rows RegisterFeatures::NAMES and "bias", column "weight"
      def initialize(table)
        @weights = table.block(RegisterFeatures::NAMES, [COLUMN]).flatten
        @bias = table.block(["bias"], [COLUMN])[0, 0]
        freeze
      end

      # @param was [Numo::DFloat] shape [n, pitches], see {RegisterFeatures.rows}
      # @param is [Numo::DFloat] shape [m, pitches]
      # @return [Float] natural log of the odds that a part of the second is an octave above where it is in the first
      def log_odds(was, is) = @bias + (@weights * Numo::DFloat[*RegisterFeatures.new(was, is).to_a]).sum
    end
  end
end
