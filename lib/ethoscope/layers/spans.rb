# frozen_string_literal: true

module Ethoscope
  module Layers
    # Runs of bars or beats in which something is so, and the time that they take. The method is our own.
    module Spans
      # @param states [Array<Boolean>]
      # @return [Array<Array<Integer>>] the places of each run of true ones
      def self.runs(states) = states.each_index.slice_when { |one, other| states[one] != states[other] }.select { |run| states[run.first] }

      # @param states [Array<Boolean>] by bar or beat
      # @param edges [Array<Float>] seconds, one more than states
      # @return [Array<Array(Float, Float)>] from and to of each run, to the millisecond
      def self.of(states, edges) = runs(states).map { |run| [edges[run.first].round(3), edges[run.last + 1].round(3)] }
    end
  end
end
