# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # One piece of the kit over a run of bars: the layer and the source that tell it, after how many bars its pattern returns, and that pattern, how hard each
    # of its steps is struck (hits, 0 to 1 of the song's hard strokes, 0 where it rests); and the usual bar, how often each step is struck, how hard on
    # average, and how often softly (ghost strokes).
    StepRow = Value.of(:piece, :layer, :source, :period, :hits, :probability, :velocity, :ghost)
  end
end
