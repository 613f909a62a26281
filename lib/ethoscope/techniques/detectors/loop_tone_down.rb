# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # The last section lies a tone lower than the one before. How it is recognised is our own.
      module LoopToneDown
        KIND = "loop_tone_down"
        DOWN = -2
        LATE = 0.6

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene) = KeyMoves.late(scene, LATE).select { |move| move.semitones == DOWN }.map { |move| KeyMoves.sighting(scene, move, KIND) }
      end
    end
  end
end
