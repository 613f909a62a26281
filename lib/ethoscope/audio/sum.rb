# frozen_string_literal: true

module Ethoscope
  module Audio
    # Several recordings at once, from one start. The method is our own.
    module Sum
      # What the sum may reach; it is turned down when it would clip.
      PEAK = 0.98

      # @param recordings [Enumerable<Recording>] of one rate, taken one after another so that only one is held at a time; those of one
      #   channel stand in the middle
      # @return [Recording] stereo, as long as the longest
      # @raise [Errors::SilentAudio] when nothing sounds
      def self.of(recordings)
        total = Numo::SFloat.zeros(2, 0)
        rate = nil
        recordings.each do |recording|
          rate = recording.rate
          total = added(total, recording.channels)
        end
        peak = total.empty? ? 0.0 : total.abs.max
        raise Errors::SilentAudio, "All stems are silent. Export them again." if peak < Recording::SILENT_PEAK

        Recording.new(channels: peak > PEAK ? total * (PEAK / peak) : total, rate:)
      end

      def self.added(total, channels)
        longer = Numo::SFloat.zeros(2, [total.shape[1], channels.shape[1]].max)
        longer[true, 0...total.shape[1]] = total unless total.empty?
        longer[true, 0...channels.shape[1]] += channels
        longer
      end
      private_class_method :added
    end
  end
end
