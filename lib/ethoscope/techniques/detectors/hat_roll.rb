# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # A burst of hats closer than a sixteenth.
      module HatRoll
        KIND = "hat_roll"
        # Strokes in a burst at the least, and how far apart they may be, in beats.
        FEWEST = 4
        CLOSE = 0.22
        # Where most strokes are so close it is the pattern and no roll.
        SHARE = 0.4

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          hats = scene.told.find { |player| player.role == "hats" } or return []
          strokes = hats.events.uniq { |event| event.beat.round(3) }
          bursts = strokes.slice_when { |a, b| b.beat - a.beat > CLOSE }.select { |run| run.size >= FEWEST }
          return [] if bursts.sum(&:size) > SHARE * strokes.size

          bursts.group_by { |run| (run.first.beat / scene.bar_beats).floor + 1 }.map { |bar, runs| sighting(scene, hats, strokes, bar, runs) }
        end

        def self.sighting(scene, hats, strokes, bar, runs)
          longest = runs.max_by(&:size)
          near = strokes.select { |event| event.beat.between?((bar - 1.5) * scene.bar_beats, (bar + 0.5) * scene.bar_beats) }
          gaps = near.each_cons(2).map { |a, b| b.beat - a.beat }
          scene.sighting(KIND, bar..bar, confidence: hats.source == "midi" ? 0.98 : 0.75, source: hats.source,
            detail: { notes: longest.size, beats: [(longest.last.beat - longest.first.beat).round(2), 0.25].max },
            evidence: scene.evidence("distance to the next hat", gaps, unit: "beats", threshold: CLOSE, first_bar: bar, step: 1.0 / [gaps.size, 1].max))
        end
        private_class_method :sighting
      end
    end
  end
end
