# frozen_string_literal: true

module Ethoscope
  module Attempts
    # What a person means to have otherwise than the reference has it, and what is therefore no difference: the tempo and the key of the new track (and the way
    # to a mode that the reference is not in), roles that are left out on purpose, and the bar up to which the work goes. The way is our own.
    Wishes = Value.of(:bpm, :key, :way, :left_out, :bars) do
      # @return [Wishes] everything as the reference has it
      def self.none = new(bpm: nil, key: nil, way: "tonic", left_out: [], bars: nil)

      # @param changes [Hash]
      # @return [Wishes]
      def with(**changes) = self.class.new(bpm:, key:, way:, left_out:, bars:, **changes)

      # @param reference [Analysis]
      # @return [Integer, nil] semitones, -5 to 6, by which the new track is meant to lie higher; nil where that is not known
      def semitones(reference)
        theirs = reference.key or return nil
        key && (((Measures::Restatement.home(theirs, key, way).pitch_class - theirs.pitch_class + 5) % 12) - 5)
      end
    end
  end
end
