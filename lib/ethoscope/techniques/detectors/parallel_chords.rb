# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # One chord shape that moves without changing its quality, and leaves the scale on its way. How it is recognised is our own.
      module ParallelChords
        KIND = "parallel_chords"
        # How sure a sighting is, by judgement: what else it could be is rarer than that.
        SURE = 0.7
        # Chords in a row, of which as many roots differ, and one holds a note from outside.
        FEWEST = 4
        ROOTS = 3
        QUALITIES = { "min" => "minor", "min7" => "minor seventh", "maj7" => "major seventh", "7" => "dominant seventh", "sus4" => "suspended", "maj" => "major" }.freeze

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          key = scene.key or return []
          rows = HarmonyRuns.of(scene).chunk_while { |a, b| a.chord.quality == b.chord.quality && a.chord.root != b.chord.root }
          rows.select { |row| parallel?(row, key) }.map { |row| sighting(scene, row, key) }
        end

        def self.parallel?(row, key)
          outside = row.count { |run| (run.chord.pitch_classes - key.scale).any? }
          QUALITIES.key?(row.first.chord.quality) && row.size >= FEWEST && row.map { |run| run.chord.root }.uniq.size >= ROOTS && outside >= row.size / 3.0
        end
        private_class_method :parallel?

        def self.sighting(scene, row, key)
          scene.sighting(KIND, HarmonyRuns.bars(scene, row), confidence: SURE, detail: { quality: QUALITIES.fetch(row.first.chord.quality), chords: row.size },
            evidence: HarmonyRuns.roots(scene, row, key))
        end
        private_class_method :sighting
      end
    end
  end
end
