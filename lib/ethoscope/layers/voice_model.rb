# frozen_string_literal: true

module Ethoscope
  module Layers
    # How likely somebody sings on each beat: a network with one small hidden layer over {VoiceFeatures}; the weights in voice_weights.csv were learnt by
    # `rake learn:voice`. The method is our own, after {Rhythm::StrokeModel}.
    class VoiceModel
      WEIGHTS_FILE = File.join(__dir__, "voice_weights.csv")
      INPUTS = VoiceFeatures::INPUTS

      # @return [VoiceModel] with the weights that ship with Ethoscope
      def self.shipped = @shipped ||= new(Signal::WeightTable.read(WEIGHTS_FILE))

      # @param table [Signal::WeightTable] rows INPUTS, "bias" and hidden units; columns hidden units and "vocal"
      def initialize(table)
        @network = Signal::Network.new(table, INPUTS, [Voice::ROLE])
        freeze
      end

      # @param rows [Numo::DFloat] shape [n, INPUTS]
      # @return [Numo::DFloat] shape [n], 0 to 1
      def likelihood(rows) = @network.likelihood(rows).flatten
    end
  end
end
