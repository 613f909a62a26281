# frozen_string_literal: true

require "onnxruntime"

module Ethoscope
  module Ear
    # The listening network: two convolutional front ends and dilated layers that see some twenty seconds (after Böck & Davies,
    # "Deconstruct, analyse, reconstruct", ISMIR 2020), taught in learning/ and run by ONNX Runtime.
    class Listener
      FILE = File.join(__dir__, "ear.onnx")
      # Frames that are heard at a time, and those before and after them that have a say in it.
      AT_A_TIME = 6000
      AROUND = 520

      # @return [Listener] with the weights that ship with Ethoscope, read once a process
      def self.shipped = @shipped ||= new(FILE)

      # @param path [String] of an ONNX file: "levels" [1, frames, bins] in, the heads of {Likelihoods} out, each [1, answers, frames]
      def initialize(path)
        @model = OnnxRuntime::Model.new(path, intra_op_num_threads: 1, inter_op_num_threads: 1)
      end

      # @param levels [Numo::SFloat] shape [frames, bins], see {Input}
      # @param rate [Float] frames a second
      # @return [Likelihoods]
      def hear(levels, rate)
        parts = (0...levels.shape[0]).step(AT_A_TIME).map { |from| part(levels, from) }
        Likelihoods.new(**Likelihoods::HEADS.to_h { |head| [head, Numo::SFloat.hstack(parts.map { |part| part.fetch(head) })] }, rate:)
      end

      private

      def part(levels, from)
        size = levels.shape[0]
        first = [from - AROUND, 0].max
        last = [from + AT_A_TIME + AROUND, size].min
        shown = levels[first...last, true].reshape(1, last - first, levels.shape[1])
        told = @model.predict({ levels: shown }, output_type: :numo)
        kept = (from - first)...([from + AT_A_TIME, size].min - first)
        Likelihoods::HEADS.to_h { |head| [head, told.fetch(head.to_s)[0, true, kept].dup] }
      end
    end
  end
end
