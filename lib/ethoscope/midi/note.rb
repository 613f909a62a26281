# frozen_string_literal: true

module Ethoscope
  module Midi
    # One note of a {Score}: start and length in quarter notes, MIDI pitch, velocity (1 to 127) and channel (0 to 15).
    Note = Value.of(:start, :length, :pitch, :velocity, :channel) do
      # @return [Float] where it ends, in quarter notes
      def end = start + length

      # @return [Boolean] true on channel 10, which General MIDI keeps for drums
      def drum? = channel == Score::DRUM_CHANNEL
    end
  end
end
