# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # One answer to "where are the beats and the bars": a beat period, a meter and the moment of the first downbeat,
    # all in musical seconds, with what the evidence says of it. The method is our own.
    BarHypothesis = Value.of(:period, :meter, :first_downbeat, :features) do
      # @return [Float] beats per minute on the musical time axis
      def bpm = 60.0 / period
    end
  end
end
