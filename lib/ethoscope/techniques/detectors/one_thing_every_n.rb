# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # At nearly every phrase line one or two layers enter or leave. How it is recognised is our own.
      module OneThingEveryN
        KIND = "one_thing_every_n"
        # How sure a sighting is, by judgement: what else it could be is rarer than that.
        SURE = 0.75
        LENGTHS = [8, 4].freeze
        # Share of the phrase lines with a change, layers that change at one of them, and lines at the least.
        SHARE = 0.7
        MOST = 2
        FEWEST = 4

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          return [] if scene.layers.all? { |layer| layer.source == "mix" }

          counts = scene.changes.to_h { |change| [change.bar, change.enters.size + change.leaves.size] }
          length = LENGTHS.find { |every| kept?(counts, every, scene.grid.bars) } or return []
          by_bar = (1..scene.grid.bars).map { |bar| counts.fetch(bar, 0) }
          [scene.sighting(KIND, 1..scene.grid.bars, confidence: SURE, source: scene.source_of(scene.layers.map(&:role)), detail: { every: length },
            evidence: scene.evidence("layers that enter or leave, by bar", by_bar, unit: "layers", threshold: 1))]
        end

        def self.kept?(counts, every, bars)
          lines = (every + 1).step(bars, every).to_a
          changed = lines.map { |bar| counts.fetch(bar, 0) }
          lines.size >= FEWEST && changed.count { |count| count.between?(1, MOST) } >= SHARE * lines.size
        end
        private_class_method :kept?
      end
    end
  end
end
