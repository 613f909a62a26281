# frozen_string_literal: true

require "onnxruntime"

module Ethoscope
  module Ear
    # The listening network: two convolutional front ends and dilated layers that see some twenty seconds
    # (after Böck & Davies, "Deconstruct, analyse, reconstruct", ISMIR 2020), taught in `learning/` and run by ONNX Runtime.
    class Network
      FILE = File.join(__dir__, "ear.onnx")

      # @return [Network] with the weights that ship with Ethoscope, read once a process
      def self.shipped = @shipped ||= new(FILE)

      # @param path [String] of an ONNX file: "levels" [1, frames, bins] in; "onsets" [1, kinds, frames] and "bass" [1, pitches, frames] out
      def initialize(path)
        @model = OnnxRuntime::Model.new(path, intra_op_num_threads: 1, inter_op_num_threads: 1)
      end

      # @param features [Engine::Features]
      # @return [Heard]
      def hear(features)
        levels = Input.of(features)
        out = @model.predict({ levels: levels.reshape(1, *levels.shape) }, output_type: :numo)
        Heard.new(onsets: out["onsets"][0, true, true].dup, bass: out["bass"][0, true, true].dup, rate: Input.rate(features.short))
      end
    end
  end
end
