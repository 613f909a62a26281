# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # A chord from the parallel key that comes back. How it is recognised is our own.
      module BorrowedChord
        KIND = "borrowed_chord"
        # How sure a sighting is, by judgement: what else it could be is rarer than that.
        SURE = 0.7
        FEWEST = 2
        SHARE = 0.02
        MOST = 0.3

        # @param scene [Scene]
        # @return [Array<Sighting>] one for each borrowed chord
        def self.find(scene)
          key = scene.key or return []
          runs = HarmonyRuns.of(scene)
          all = runs.sum(&:beats)
          borrowed = runs.each_with_index.select { |run, i| Harmony::Function.of(run.chord, key, runs[i + 1]&.chord)&.kind == "borrowed" }.map(&:first)
          borrowed.group_by { |run| [run.chord.root, run.chord.minor?] }.values
                  .select { |group| group.size >= FEWEST && (group.sum(&:beats) / all).between?(SHARE, MOST) }.map { |group| sighting(scene, group, key) }
        end

        def self.sighting(scene, group, key)
          bars = HarmonyRuns.bars(scene, group)
          root = group.first.chord.root
          shares = bars.map { |bar| HarmonyRuns.share(scene, bar) { |chord| chord.root == root && chord.minor? == group.first.chord.minor? } }
          detail = { chord: Harmony::Degree.of(group.first.chord, key).numeral, from: Harmony::Function.of(group.first.chord, key)&.of }.compact
          scene.sighting(KIND, bars, confidence: SURE, detail:,
            evidence: scene.evidence("share of the bar on that chord", shares, unit: "of 1", first_bar: bars.begin))
        end
        private_class_method :sighting
      end
    end
  end
end
