# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # A bar that departs from its section's pattern: "fill" where much more is struck, "gap" where much less is, else "change"; and stroke by stroke what is
    # more or less there.
    Departure = Value.of(:bar, :kind, :strokes)
  end
end
