# frozen_string_literal: true

module Ethoscope
  module Midi
    # The percussion key map of General MIDI 1: which piece of a kit a key strikes, and which role that piece has.
    module Kit
      PIECES = { "kick" => [35, 36], "snare" => [38, 40], "rim" => [37], "clap" => [39], "closed hats" => [42, 44], "open hats" => [46], "ride" => [51, 53, 59],
                 "cymbals" => [49, 52, 55, 57], "toms" => [41, 43, 45, 47, 48, 50] }.freeze

      # @param key [Integer] MIDI note number
      # @return [String, nil] nil for what no common kit has
      def self.piece(key) = PIECES.find { |_, keys| keys.include?(key) }&.first

      # @param key [Integer]
      # @return [String] "kick", "snare", "hats" or "percussion"
      def self.role(key)
        piece = piece(key) or return "percussion"
        Layers::Role.of_piece(piece)
      end
    end
  end
end
