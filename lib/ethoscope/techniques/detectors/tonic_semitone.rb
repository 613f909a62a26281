# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # A chord a semitone over the tonic, in turn with it. How it is recognised is our own.
      module TonicSemitone
        KIND = "tonic_semitone"
        # How sure a sighting is, by judgement: what else it could be is rarer than that.
        SURE = 0.8
        # Times that it returns to the tonic, and share of the time of both, that make a habit.
        FEWEST = 3
        SHARE = 0.08

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          key = scene.key or return []
          runs = HarmonyRuns.of(scene)
          pairs = runs.each_cons(2).select { |a, b| [a, b].map { |run| (run.chord.root - key.pitch_class) % 12 }.sort == [0, 1] }
          over = runs.select { |run| (run.chord.root - key.pitch_class) % 12 == 1 }
          return [] if pairs.size < FEWEST || over.sum(&:beats) < SHARE * runs.sum(&:beats)

          bars = HarmonyRuns.bars(scene, pairs.flatten)
          shares = bars.map { |bar| HarmonyRuns.share(scene, bar) { |chord| (chord.root - key.pitch_class) % 12 == 1 } }
          [scene.sighting(KIND, bars, confidence: SURE, detail: { chord: Harmony::Degree.of(over.first.chord, key).numeral },
            evidence: scene.evidence("share of the bar on the chord over the tonic", shares, unit: "of 1", threshold: SHARE, first_bar: bars.begin))]
        end
      end
    end
  end
end
