# frozen_string_literal: true

module Ethoscope
  module Harmony
    # One note of the bass: MIDI pitch; the beat on which it begins, counted from the start of bar 1, and how many it lasts, as one would write it; seconds
    # from and to; which tone of the chord it is ("root", "third", "fifth", "seventh", "other"); and how sure it is that a note begins there, 0 to 1.
    BassNote = Value.of(:pitch, :beat, :beats, :start, :end, :tone, :sure)
  end
end
