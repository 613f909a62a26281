# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # The hats play faster or slower from a section on. How it is recognised is our own.
      module HatRateChange
        KIND = "hat_rate_change"
        FASTER = 1.5
        # Strokes heard in a mix are blurred by everything else that is bright: below this a change is as likely none.
        FASTER_IN_A_MIX = 1.65
        # Fewer strokes a beat than this are no hat pattern.
        SLOWEST = 0.7
        # A step counts that is more likely struck than not in the usual bar of a section.
        LIKELY = 0.5
        # A shaker between the hats sounds like faster hats: where strokes alternate it is one.
        HATS = "hats"

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          rates = scene.sections.map { |section| rate(scene, section) }
          shaken = AlternatingVelocity.find(scene).flat_map { |sighting| (sighting.first_bar..sighting.last_bar).to_a }
          starts = (1...scene.sections.size).select { |i| changed?(rates[i - 1], rates[i], needed(scene)) && !shaken.include?(scene.sections[i].first_bar) }
          starts.map { |i| sighting(scene, rates, i, run(rates, i)) }
        end

        # Strokes a beat in the usual bar.
        def self.rate(scene, section)
          return scene.middle(scene.hat_rates, section) unless scene.drums

          scene.drums.likely(HATS)[scene.bars_in(section), true].mean(axis: 0).gt(LIKELY).count_true / scene.bar_beats.to_f
        end
        private_class_method :rate

        def self.needed(scene) = source(scene) == "mix" ? FASTER_IN_A_MIX : FASTER
        private_class_method :needed

        def self.source(scene) = scene.player(HATS)&.source || "mix"
        private_class_method :source

        def self.changed?(before, after, faster)
          slow, fast = [before, after].minmax
          slow >= SLOWEST && fast / slow >= faster
        end
        private_class_method :changed?

        # The last section of those that keep the new rate.
        def self.run(rates, i) = (i...rates.size).take_while { |j| (rates[j] / rates[i]).between?(0.75, 1.33) }.last
        private_class_method :run

        def self.sighting(scene, rates, i, last)
          from = rates[i - 1]
          to = rates[i]
          bars = scene.sections[i].first_bar..scene.sections[last].last_bar
          source = source(scene)
          scene.sighting(KIND, bars, confidence: source == "mix" ? 0.4 + ([from, to].max / [from, to].min / 8) : 0.95, source:,
            detail: { from_per_beat: from.round(1), to_per_beat: to.round(1) },
            evidence: scene.evidence("hat strokes a beat in the usual bar", ((i - 1)..last).flat_map { |j| [rates[j]] * scene.sections[j].bars }, unit: "strokes",
              first_bar: scene.sections[i - 1].first_bar, threshold: from * (to > from ? needed(scene) : 1 / needed(scene))))
        end
        private_class_method :sighting
      end
    end
  end
end
