# frozen_string_literal: true

module Ethoscope
  module Techniques
    # The kick falls on every beat through a section and leaves the off-beats alone.
    module KickEveryBeat
      KIND = "four_on_floor"
      # A kick is usual on every beat from this share of bars on, and rare between beats up to this one.
      USUAL = 0.55
      RARE = 0.35

      # @param scene [Scene]
      # @return [Array<Sighting>]
      def self.find(scene)
        return [] if scene.grid.meter.compound

        found = scene.patterns.select { |pattern| every_beat?(pattern, scene.grid.meter.beats) }
        runs = found.slice_when { |a, b| b.first_bar != a.first_bar + a.bars }
        found.empty? ? [] : runs.map { |run| sighting(scene, run) }
      end

      def self.sighting(scene, run)
        scene.sighting(KIND, run.first.first_bar..(run.last.first_bar + run.last.bars - 1), confidence: run.sum(&:confidence) / run.size)
      end
      private_class_method :sighting

      def self.every_beat?(pattern, beats)
        kick = pattern.rows.first.probability.each_slice(pattern.steps / beats).to_a
        between = kick.map { |beat| beat[beat.size / 2] }
        kick.all? { |beat| beat.first >= USUAL } && between.sum / between.size <= RARE
      end
      private_class_method :every_beat?
    end
  end
end
