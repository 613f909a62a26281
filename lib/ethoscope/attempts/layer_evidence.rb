# frozen_string_literal: true

module Ethoscope
  module Attempts
    # What is asked of two songs piece by piece, whatever layer it is about: both parts of a piece, and how much quieter a register is. The way is our own.
    class LayerEvidence
      # Levels are told in tens of dB, and those further apart than two of them say no more.
      DB = 10.0
      FARTHEST = 2.0

      # @param laid [Laid]
      def initialize(laid)
        @songs = laid.songs
        @pieces = laid.pieces.to_a
      end

      private

      # Either song with its bars of a piece.
      def parts(piece) = @songs.zip([piece.reference, piece.attempt])

      # Of either song how much of a layer is there.
      def activities(piece, role) = parts(piece).map { |song, bars| song.activity(role)&.[](bars)&.mean || 0.0 }

      # How much quieter bands are here, against how much they are over the whole song.
      def quieter(piece, bands)
        @usual ||= Signal::Middle.of(@pieces.map { |one| register_apart(one, bands) })
        ((register_apart(piece, bands) - @usual) / DB).clamp(-FARTHEST, FARTHEST)
      end

      def register_apart(piece, bands) = parts(piece).map { |song, bars| song.bands[bars, true, bands].mean - song.bands[bars, true, true].mean }.reduce(:-)
    end
  end
end
