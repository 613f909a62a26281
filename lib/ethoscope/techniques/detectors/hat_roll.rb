# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # A burst of hats closer than a sixteenth. How it is recognised is our own.
      module HatRoll
        KIND = "hat_roll"
        # Bars before and after a bar line in which a roll may lie.
        REACH = [1.5, 0.5].freeze
        # Beats that the shortest roll lasts.
        SHORTEST = 0.25
        # How sure a sighting is, by judgement: read from notes, or heard.
        SURE_WRITTEN = 0.98
        SURE_HEARD = 0.75
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
          near = strokes.select { |event| event.beat.between?((bar - REACH.first) * scene.bar_beats, (bar + REACH.last) * scene.bar_beats) }
          gaps = near.each_cons(2).map { |a, b| b.beat - a.beat }
          scene.sighting(KIND, bar..bar, confidence: hats.source == "midi" ? SURE_WRITTEN : SURE_HEARD, source: hats.source,
            detail: { notes: longest.size, beats: [(longest.last.beat - longest.first.beat).round(2), SHORTEST].max },
            evidence: scene.evidence("distance to the next hat", gaps, unit: "beats", threshold: CLOSE, first_bar: bar, step: 1.0 / [gaps.size, 1].max))
        end
        private_class_method :sighting
      end
    end
  end
end
