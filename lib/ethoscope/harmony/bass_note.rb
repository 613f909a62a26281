# frozen_string_literal: true

module Ethoscope
  module Harmony
    # One note of the bass: MIDI pitch; the beat on which it begins, counted from the start of bar 1, and how many it lasts, as one would write it; seconds
    # from and to; and which tone of the chord it is ("root", "third", "fifth", "seventh", "other").
    BassNote = Value.of(:pitch, :beat, :beats, :start, :end, :tone)
  end
end
