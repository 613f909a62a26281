# frozen_string_literal: true

module Ethoscope
  module Techniques
    # Changes to another tonic of the same mode in the later part of a song. The method is our own.
    module KeyMoves
      # A sighting is a little less sure than the key that it rests on.
      SHARE = 0.9

      # From which stretch to which, and by how many semitones (-5 to 6).
      Move = Value.of(:from, :to, :semitones)

      # @param scene [Scene]
      # @param late [Float] share of the song after which a change counts
      # @return [Array<Move>]
      def self.late(scene, late)
        scene.stretches.each_cons(2).filter_map do |from, to|
          next unless to.first_bar > late * scene.grid.bars && from.key.mode == to.key.mode

          Move.new(from:, to:, semitones: ((to.key.pitch_class - from.key.pitch_class + 5) % 12) - 5)
        end
      end

      # @param scene [Scene]
      # @param move [Move]
      # @param kind [String]
      # @return [Sighting]
      def self.sighting(scene, move, kind)
        tonics = scene.stretches.flat_map do |stretch|
          [((stretch.key.pitch_class - scene.stretches.first.key.pitch_class + 5) % 12) - 5] * (stretch.last_bar - stretch.first_bar + 1)
        end
        scene.sighting(kind, move.to.first_bar..move.to.last_bar, confidence: move.to.confidence * SHARE, detail: { semitones: move.semitones },
          evidence: scene.evidence("tonic against the first one", tonics, unit: "semitones", threshold: move.semitones, first_bar: scene.stretches.first.first_bar))
      end
    end
  end
end
