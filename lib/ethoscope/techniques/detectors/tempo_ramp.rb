# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # The tempo climbs or falls steadily over some bars. How it is recognised is our own.
      module TempoRamp
        KIND = "tempo_ramp"
        # How sure a sighting is, by judgement: what else it could be is rarer than that.
        SURE = 0.85
        FEWEST_BARS = 4
        # Change over the whole ramp, and from bar to bar, as shares of the tempo.
        WHOLE = 0.04
        STEP = 0.002

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          return [] if scene.constant

          tempos = scene.grid.bar_tempos
          runs = (0...tempos.size).each_cons(2).chunk_while do |(a, b), (c, d)|
            steady?(tempos, a, b) && direction(tempos, a, b) == direction(tempos, c, d) && steady?(tempos, c, d)
          end
          runs.map { |run| [run.first.first, run.last.last] }.select { |first, last| ramp?(tempos, first, last) }.map { |first, last| sighting(scene, tempos, first, last) }
        end

        def self.direction(tempos, a, b) = tempos[b] <=> tempos[a]
        private_class_method :direction

        def self.steady?(tempos, a, b) = (tempos[b] - tempos[a]).abs >= STEP * tempos[a]
        private_class_method :steady?

        def self.ramp?(tempos, first, last) = last - first >= FEWEST_BARS && (tempos[last] - tempos[first]).abs >= WHOLE * tempos[first]
        private_class_method :ramp?

        def self.sighting(scene, tempos, first, last)
          scene.sighting(KIND, (first + 1)..(last + 1), confidence: SURE, detail: { from_bpm: tempos[first].round(1), to_bpm: tempos[last].round(1) },
            evidence: scene.evidence("beats per minute by bar", tempos, unit: "BPM"))
        end
        private_class_method :sighting
      end
    end
  end
end
