# frozen_string_literal: true

module Ethoscope
  module Checklist
    # Something to do: a target with its tolerance, a time box, a fallback, and the reading it came from.
    # measure is {value, tolerance, unit} where a bounce can be measured against it, else nil.
    Item = Value.of(:stage, :title, :target, :tolerance, :measure, :minutes, :steps, :fallback, :from)
  end
end
