# frozen_string_literal: true

module Ethoscope
  module Midi
    # The notes of one role: a track, or the pieces of a drum track apart. Notes are in order of their start.
    Part = Value.of(:name, :role, :program, :notes)
  end
end
