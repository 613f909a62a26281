# frozen_string_literal: true

module Ethoscope
  module Harmony
    # One note of the bass: MIDI pitch, first and last half beat (end exclusive), and which tone of the chord it is ("root",
    # "third", "fifth", "seventh", "other").
    BassNote = Value.of(:pitch, :first, :last, :tone)
  end
end
