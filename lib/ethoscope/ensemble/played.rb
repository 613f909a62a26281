# frozen_string_literal: true

module Ethoscope
  class Ensemble
    # One stroke or note: where it begins, in beats since the start of bar 1, how many beats it lasts, its MIDI pitch (nil for a stroke
    # without one), and how hard it is played, 0 to 1.
    Played = Value.of(:beat, :beats, :pitch, :velocity)
  end
end
