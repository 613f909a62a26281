# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # Minor chords with seventh and ninth, from written notes: an analysis of sound names ninths too seldom. How it is recognised is our own.
      module MinorNinths
        KIND = "minor_ninths"
        # How sure a sighting is, by judgement: what else it could be is rarer than that.
        SURE = 0.9
        ROLES = %w[chords pad guitar strings].freeze
        NEEDED = [3, 10, 2].freeze
        # Share of the minor chords, and how many at the least.
        SHARE = 0.4
        FEWEST = 3

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          parts = scene.told.select { |player| player.source == "midi" && ROLES.include?(player.role) }
          return [] if parts.empty?

          minor = HarmonyRuns.of(scene).select { |run| run.chord.minor? }
          ninths = minor.select { |run| ninth?(parts, run) }
          return [] if ninths.size < FEWEST || ninths.size < SHARE * minor.size

          bars = HarmonyRuns.bars(scene, ninths)
          counts = bars.map { |bar| ninths.count { |run| (run.beat / scene.bar_beats).floor + 1 == bar } }
          [scene.sighting(KIND, bars, confidence: SURE, source: "midi", detail: { share: (100.0 * ninths.size / minor.size).round },
            evidence: scene.evidence("minor ninths that begin in each bar", counts, unit: "chords", threshold: 1, first_bar: bars.begin))]
        end

        def self.ninth?(parts, run)
          notes = parts.flat_map { |part| part.within(run.beat...(run.beat + run.beats)).filter_map(&:pitch) }.map { |pitch| (pitch - run.chord.root) % 12 }.uniq
          (NEEDED - notes).empty?
        end
        private_class_method :ninth?
      end
    end
  end
end
