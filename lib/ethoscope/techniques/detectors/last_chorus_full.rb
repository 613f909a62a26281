# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # The last chorus has more layers than any section before it. How it is recognised is our own.
      module LastChorusFull
        KIND = "last_chorus_full"
        # How sure a sighting is, by judgement: what else it could be is rarer than that.
        SURE = 0.8
        PLAYS = 0.5
        FEWEST = 4

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          return [] if scene.layers.all? { |layer| layer.source == "mix" }

          last = scene.sections.reverse.find { |section| section.label.start_with?("chorus") } or return []
          counts = scene.sections.to_h { |section| [section, playing(scene, section)] }
          before = counts.filter_map { |section, count| count if section.first_bar < last.first_bar }.max or return []
          counts[last] > before && counts[last] >= FEWEST ? [sighting(scene, last, counts[last], before)] : []
        end

        def self.sighting(scene, last, layers, before)
          by_bar = (0...scene.grid.bars).map { |bar| scene.layers.count { |layer| layer.activity[bar] > PLAYS } }
          scene.sighting(KIND, last.bar_range, confidence: SURE, source: scene.source_of(scene.layers.map(&:role)), detail: { layers: },
            evidence: scene.evidence("layers that play in each bar", by_bar, unit: "layers", threshold: before + 1))
        end
        private_class_method :sighting

        def self.playing(scene, section) = scene.layers.count { |layer| layer.activity[scene.bars_in(section)].then { |bars| bars.sum / bars.size } > PLAYS }
        private_class_method :playing
      end
    end
  end
end
