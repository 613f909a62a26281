# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # The drum pattern of a run of bars (from 1).
    StepPattern = Value.of(:first_bar, :bars, :steps, :rows, :names, :hat_rate, :departures, :confidence)
  end
end
