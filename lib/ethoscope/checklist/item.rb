# frozen_string_literal: true

module Ethoscope
  module Checklist
    # Something to do: a target with its tolerance, a time box, a fallback, and the reading it came from.
    # measure is {value, tolerance, unit} where a bounce can be measured against it, else nil; about says what of the reading it rests on,
    # such as "layer:bass", "technique:pedal" or "section:9", nil for all of it.
    Item = Value.of(:stage, :title, :target, :tolerance, :measure, :minutes, :steps, :fallback, :from, :about)
  end
end
