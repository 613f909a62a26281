# frozen_string_literal: true

module Ethoscope
  module Harmony
    # A run of chords that comes back: its length in bars, its chords and degrees, and the bars (from 1) at which it starts.
    # Terms after Kostka & Payne, "Tonal Harmony".
    Loop = Value.of(:bars, :chords, :degrees, :starts, :confidence) do
      # @param key [Key] for the spelling
      # @return [Hash] in the schema of an analysis
      def described(key) = { bars:, degrees:, symbols: chords.map { |chord| chord.symbol(key) }, starts:, confidence: }
    end
  end
end
