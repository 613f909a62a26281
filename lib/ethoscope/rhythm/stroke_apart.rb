# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # One stroke of a {Departure}: the piece, the beat (from 1), and whether it is more than the pattern has, or missing.
    StrokeApart = Value.of(:piece, :beat, :more)
  end
end
