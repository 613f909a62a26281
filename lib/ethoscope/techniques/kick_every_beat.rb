# frozen_string_literal: true

module Ethoscope
  module Techniques
    # The kick falls on every beat through a section and leaves the off-beats alone.
    module KickEveryBeat
      KIND = "four_on_floor"
      # A beat has a kick when its low onset reaches this many times the song's mean.
      HIT = 2.0
      SHARE = 0.85

      # @param scene [Scene]
      # @return [Array<Sighting>]
      def self.find(scene)
        return [] if scene.grid.meter.compound

        found = scene.sections.select { |section| every_beat?(scene, section) }
        runs = found.slice_when { |a, b| b.first_bar != a.last_bar + 1 }
        found.empty? ? [] : runs.map { |run| scene.sighting(KIND, run.first.first_bar..run.last.last_bar, confidence: 0.8) }
      end

      def self.every_beat?(scene, section)
        bars = section.first_bar..section.last_bar
        on = scene.strength_at(:low, 0.0, bars)
        off = scene.strength_at(:low, 0.5, bars)
        hits = on.count { |value| value > HIT } / on.size.to_f
        between = off.count { |value| value > HIT } / off.size.to_f
        hits >= SHARE && between < 0.35
      end
      private_class_method :every_beat?
    end
  end
end
