# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # Dominants that lead into one another: roots that fall by fifths, each but the last with a major third and outside the plain scale.
      # How it is recognised is our own.
      module SecondaryDominantChain
        KIND = "secondary_dominant_chain"
        # How sure a sighting is, by judgement: what else it could be is rarer than that.
        SURE = 0.75
        DOMINANTS = %w[7 maj].freeze
        FEWEST = 2

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          key = scene.key or return []
          rows = HarmonyRuns.of(scene).chunk_while { |a, b| DOMINANTS.include?(a.chord.quality) && (a.chord.root - b.chord.root) % 12 == 7 }
          rows.select { |row| chain?(row, key) }.map { |row| sighting(scene, row, key) }
        end

        # At least two dominants before the landing, of which two are no home chords of the key.
        def self.chain?(row, key)
          dominants = row[0...-1]
          dominants.size >= FEWEST && dominants.count { |run| (run.chord.pitch_classes - key.scale).any? } >= FEWEST && dominants.any? { |run| run.chord.quality == "7" }
        end
        private_class_method :chain?

        def self.sighting(scene, row, key)
          chords = row.map { |run| Harmony::Degree.of(run.chord, key).numeral }.join(" ")
          scene.sighting(KIND, HarmonyRuns.bars(scene, row), confidence: SURE, detail: { count: row.size - 1, chords: },
            evidence: HarmonyRuns.roots(scene, row, key))
        end
        private_class_method :sighting
      end
    end
  end
end
