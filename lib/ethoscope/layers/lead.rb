# frozen_string_literal: true

module Ethoscope
  module Layers
    # The clear high line of a run of bars (from 1): MIDI pitches of its lowest, middle and highest notes, its course ("rising",
    # "falling", "arch", "valley", "level", "wavering"), and how clear it is.
    Lead = Value.of(:first_bar, :bars, :low, :middle, :high, :contour, :confidence)
  end
end
