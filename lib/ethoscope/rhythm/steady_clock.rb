# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # The clock of a song that keeps one tempo to the hundredth: musical time is time. It answers what a {TimeWarp} answers. The method is our own.
    module SteadyClock
      # @return [Boolean] true
      def self.constant = true # rubocop:disable Naming/PredicateMethod -- the same word as a {TimeWarp}'s attribute

      # @param curves [Array<Numo::NArray>] shape [frames] each
      # @return [Array<Numo::NArray>] the same
      def self.warp(*curves) = curves

      # @param musical [Numo::DFloat] seconds
      # @return [Numo::DFloat] the same
      def self.to_seconds(musical) = musical
    end
  end
end
