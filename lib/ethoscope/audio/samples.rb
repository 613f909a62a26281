# frozen_string_literal: true

module Ethoscope
  module Audio
    # Sees to it that samples are sound: files of floats may hold anything. The method is our own.
    module Samples
      # Beyond this (+36 dB over full scale) a value is a fault, no sound.
      HIGHEST = 64.0
      # With more faults than this share a file is refused; fewer are silenced.
      FEW = 0.001

      # @param channels [Numo::SFloat] shape [channels, samples]
      # @return [Numo::SFloat] the same with faults set to zero
      # @raise [Errors::UnusableAudio] when too many values are faults
      def self.cleaned(channels)
        return channels if sound?(channels)

        faults = (channels.abs <= HIGHEST).eq(0)
        share = faults.count_true.fdiv(channels.size)
        raise Errors::UnusableAudio, "#{(share * 100).ceil} % of this file is no sound: its values are infinite, or far beyond full scale. Export it again." if share > FEW

        channels.dup.tap { |clean| clean[faults] = 0.0 }
      end

      # Comparisons with what is not a number are false.
      def self.sound?(channels) = channels.empty? || ((channels.max <= HIGHEST) && (channels.min >= -HIGHEST) && !channels.sum.nan?)
      private_class_method :sound?
    end
  end
end
