# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # A bar that departs from its section's pattern: "fill" (more is struck) or "gap" (less).
    Departure = Value.of(:bar, :kind)
  end
end
