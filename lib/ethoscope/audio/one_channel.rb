# frozen_string_literal: true

module Ethoscope
  module Audio
    # What several channels give in one, mixed stretch by stretch when it is asked for: a long recording is never copied whole. The
    # method is our own.
    class OneChannel
      # Samples that are mixed at once where all are wanted.
      BLOCK = 1 << 18

      # @param channels [Numo::SFloat] shape [channels, samples]
      # @param gains [Array<Float>] for the first channels; those beyond are left out
      def initialize(channels, gains)
        @channels = channels
        @gains = gains
        freeze
      end

      # @return [Integer] samples
      def size = @channels.shape[1]

      # @param range [Range<Integer>] samples
      # @return [Numo::SFloat] those samples, mixed
      def [](range) = @gains.each_with_index.sum { |gain, channel| @channels[channel, range] * gain }

      # @return [Float] sum of squares
      def energy = blocks.sum { |block| (block**2).sum }

      # @return [Float] the largest absolute sample; 0 where there is none
      def peak = blocks.map { |block| [block.max, -block.min].max }.max || 0.0

      # @return [Numo::SFloat] shape [samples], all of it
      def samples = self[0...size]

      private

      def blocks = (0...size).step(BLOCK).lazy.map { |first| self[first...[first + BLOCK, size].min] }
    end
  end
end
