# frozen_string_literal: true

module Ethoscope
  module Audio
    # Sound in memory: one or two channels of samples at one rate.
    #
    #   Recording.new(channels: Numo::SFloat[[0, 0.5, 0]], rate: 44_100).duration
    #
    # The method is our own.
    class Recording
      # Quieter than this peak is silence: -80 dBFS.
      SILENT_PEAK = 1e-4
      # Of channels in opposite phase less than this share of one channel's energy is left.
      CANCELLED = 1e-4

      # @return [Numo::SFloat] shape [channels, samples], full scale is 1.0
      attr_reader :channels
      # @return [Integer] samples per second
      attr_reader :rate

      # @param channels [Numo::SFloat] shape [1 or 2, samples]
      # @param rate [Integer] samples per second, 8000 or more
      # @raise [ArgumentError] when the shape or the rate is out of range
      def initialize(channels:, rate:)
        unless channels.ndim == 2 && (1..2).cover?(channels.shape[0])
          raise ArgumentError,
            "channels must have shape [1 or 2, samples]"
        end
        raise ArgumentError, "rate must be 8000 or more" unless rate >= 8000

        @channels = channels
        @rate = rate
        freeze
      end

      # @return [Float] length in seconds
      def duration = channels.shape[1].to_f / rate

      # @return [Boolean] true when there are two channels
      def stereo? = channels.shape[0] == 2

      # @return [OneChannel] what is to be heard in one channel: the middle, or the left channel where the two cancel each other out
      def mono
        left = OneChannel.new(channels, [1.0])
        return left unless stereo?

        middle.energy < CANCELLED * left.energy ? left : middle
      end

      # @return [OneChannel] the mean of the channels
      def middle = OneChannel.new(channels, stereo? ? [0.5, 0.5] : [1.0])

      # @return [OneChannel] half the difference of the channels; zeros for one channel
      def side = OneChannel.new(channels, stereo? ? [0.5, -0.5] : [0.0])

      # @return [Float] the largest absolute sample
      def peak
        channels.empty? ? 0.0 : [channels.max, -channels.min].max
      end
    end
  end
end
