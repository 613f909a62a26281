# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # In a minor key without it, the raised seventh comes in chords that lead home. How it is recognised is our own.
      module OutsideLeadingTone
        KIND = "outside_leading_tone"
        # How sure a sighting is, by judgement: what else it could be is rarer than that.
        SURE = 0.75
        MODES = %w[minor dorian phrygian].freeze
        FEWEST = 2
        MOST = 0.3

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          key = scene.key
          return [] unless key && MODES.include?(key.mode)

          leading = (key.pitch_class + 11) % 12
          runs = HarmonyRuns.of(scene)
          held = runs.each_cons(2).select { |run, following| run.chord.pitch_classes.include?(leading) && following.chord.root == key.pitch_class }.map(&:first)
          return [] if held.size < FEWEST || held.sum(&:beats) > MOST * runs.sum(&:beats)

          bars = HarmonyRuns.bars(scene, held)
          shares = bars.map { |bar| HarmonyRuns.share(scene, bar) { |chord| chord.pitch_classes.include?(leading) } }
          [scene.sighting(KIND, bars, confidence: SURE, detail: { note: key.spell(leading), times: held.size },
            evidence: scene.evidence("share of the bar with the leading tone", shares, unit: "of 1", first_bar: bars.begin))]
        end
      end
    end
  end
end
