# frozen_string_literal: true

module Ethoscope
  module Harmony
    # A run of chords that comes back: its length in bars, its chords and degrees, and the bars (from 1) at which it starts.
    Loop = Value.of(:bars, :chords, :degrees, :starts, :confidence)
  end
end
