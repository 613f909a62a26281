# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # From a late section on everything is one to three semitones higher. How it is recognised is our own.
      module KeyLift
        KIND = "key_lift"
        UP = [1, 2, 3].freeze
        # Share of the song after which it counts as late.
        LATE = 0.5

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene) = KeyMoves.late(scene, LATE).select { |move| UP.include?(move.semitones) }.map { |move| KeyMoves.sighting(scene, move, KIND) }
      end
    end
  end
end
