# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # A percussion sound that strikes once every two, four or eight bars, at the same place. How it is recognised is our own.
      module PercussionEveryN
        KIND = "percussion_every_n"
        # How sure a sighting is, by judgement: read from notes, or heard.
        SURE_WRITTEN = 0.97
        SURE_HEARD = 0.85
        ROLES = %w[percussion fx hats snare].freeze
        EVERY = [2, 4, 8].freeze
        FEWEST = 4
        KEPT = 0.85

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene) = scene.told.select { |player| ROLES.include?(player.role) }.filter_map { |player| of_part(scene, player) }

        # Strokes that are part of one hit count once.
        def self.of_part(scene, player)
          hits = player.events.slice_when { |a, b| b.beat - a.beat > 1 }.map(&:first)
          return nil if hits.size < FEWEST

          gaps = hits.each_cons(2).map { |a, b| ((b.beat - a.beat) / scene.bar_beats).round(2) }
          every, count = gaps.tally.max_by(&:last)
          return nil unless EVERY.include?(every) && count >= KEPT * gaps.size

          bars = ((hits.first.beat / scene.bar_beats).floor + 1)..((hits.last.beat / scene.bar_beats).floor + 1)
          scene.sighting(KIND, bars, confidence: player.source == "midi" ? SURE_WRITTEN : SURE_HEARD, source: player.source, detail: { every: every.to_i, part: player.name },
            evidence: scene.evidence("bars since the last stroke of #{player.name}", gaps, unit: "bars", threshold: every, first_bar: bars.begin + every.to_i, step: every))
        end
        private_class_method :of_part
      end
    end
  end
end
