# frozen_string_literal: true

module Ethoscope
  module Audio
    # The outline of a waveform, for the eye: the lowest and highest sample of each short stretch, as signed bytes. The method is our own.
    module Peaks
      # Stretches a second: a sixteenth at 180 BPM has eight of them.
      RATE = 100
      # Full scale as a byte.
      FULL = 127

      # So many stretches are looked at at a time, to keep memory flat.
      BLOCK = 6000

      # @param recording [Recording]
      # @return [String] binary: for each stretch the lowest and the highest sample of all channels, -127 to 127
      def self.of(recording)
        hop = recording.rate / RATE
        count = recording.channels.shape[1] / hop
        (0...count).each_slice(BLOCK).map { |part| block(recording.channels, part.first * hop, part.size, hop) }.join
      end

      def self.block(channels, from, count, hop)
        parts = channels[true, from...(from + (count * hop))].dup.reshape(channels.shape[0], count, hop)
        outline = Numo::SFloat.vstack([parts.min(axis: 2).min(axis: 0), parts.max(axis: 2).max(axis: 0)])
        (outline.transpose.dup * FULL).round.clip(-FULL, FULL).cast_to(Numo::Int8).to_binary
      end
      private_class_method :block
    end
  end
end
