# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # What harmony has to say about bars, as plain curves over the recording: change of all notes and of the bass register
    # (any frame count), turns from one chord to another at the edges of equal steps, and what sounds in each step: notes
    # (shape [steps, 24], treble and bass) and the belief in each chord (shape [steps, chords]). Steps last `step` seconds.
    HarmonicClues = Value.of(:treble, :bass, :turns, :notes, :chords, :step)
  end
end
