# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # One piece of the kit over a run of bars, step by step: how often it is struck, how hard on average (0 to 1 of the song's
    # hard strokes), and how often softly (ghost strokes).
    StepRow = Value.of(:piece, :probability, :velocity, :ghost)
  end
end
