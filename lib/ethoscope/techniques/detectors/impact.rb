# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # On the first beat of a section all registers jump far more than on other first beats, and the tail rings on. How it is recognised is our own.
      module Impact
        KIND = "impact"
        # How sure a sighting is, by judgement: what else it could be is rarer than that.
        SURE = 0.5
        REGISTERS = [40.0..120.0, 300.0..1500.0, 4000.0..11_000.0].freeze
        # How far over the section's usual first beats, in dB, in each register, and how much must be left after a beat.
        OVER_DB = 6.0
        LEAST_DB = 3.0
        TAIL_DB = -18.0

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          return [] unless scene.features

          peaks = REGISTERS.map { |range| heights(scene, range) }
          scene.sections.drop(1).filter_map { |section| at_start(scene, section, peaks) }
        end

        # Level in dB just after each beat line, and one beat later.
        def self.heights(scene, range)
          short = scene.features.short
          level = short.level(range)
          db = Numo::NMath.log10((level / [level.max, 1e-9].max) + 1e-4) * 20
          wide = Signal::Series.running_max(db, 4)
          scene.grid.edges[scene.grid.pickup..].map { |edge| wide[((edge * short.rate).round + 4).clamp(0, wide.size - 1)] }
        end
        private_class_method :heights

        def self.at_start(scene, section, peaks)
          first = scene.beats_in(section).begin
          others = (1...section.bars).map { |bar| first + (bar * scene.bar_beats) }
          return nil if others.size < 3

          over = peaks.map { |heights| heights[first] - Signal::Middle.of(heights.values_at(*others)) }
          mean = over.sum / over.size
          tail = peaks.last[first + 1] - peaks.last[first]
          return nil unless over.min >= LEAST_DB && mean >= OVER_DB && tail > TAIL_DB

          sighting(scene, section, mean, peaks.transpose.values_at(first, *others).map { |heights| heights.sum / heights.size })
        end
        private_class_method :at_start

        def self.sighting(scene, section, over, shown)
          usual = shown.drop(1).sort[(shown.size - 1) / 2]
          scene.sighting(KIND, section.first_bar..section.first_bar, confidence: SURE + (over / 30), detail: { jump_db: over.round(1) },
            evidence: scene.evidence("level of each bar's first beat", shown, unit: "dB", threshold: usual + OVER_DB, first_bar: section.first_bar))
        end
        private_class_method :sighting
      end
    end
  end
end
