# frozen_string_literal: true

module Ethoscope
  module Techniques
    # The measured series that shows a technique: what it is and in which unit, the bar at which it begins (from 1) and how many bars lie
    # between two values, the values (nil where nothing was measured), and the value from which it counts (nil where there is none).
    Evidence = Value.of(:label, :unit, :first_bar, :step, :values, :threshold)
  end
end
