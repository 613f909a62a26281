# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # Strokes that a stem or a score tells: the role and the piece of the kit, the layer and the source that tell it, and how hard each step is struck, 0 to 1,
    # shape [bars, steps].
    ToldStrokes = Value.of(:role, :piece, :layer, :source, :velocity)
  end
end
