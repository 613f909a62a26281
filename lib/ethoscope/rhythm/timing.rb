# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # How far from the grid one register plays: mean offset in ms by step (nil where too little is played), and the spread
    # of all onsets around those means in ms.
    Timing = Value.of(:register, :offsets_ms, :spread_ms, :onsets)
  end
end
