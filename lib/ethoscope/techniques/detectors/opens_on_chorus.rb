# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # The song begins with its chorus: the first section, or the second after a short one, has the chorus' letter and about its level.
      # How it is recognised is our own.
      module OpensOnChorus
        KIND = "opens_on_chorus"
        # How sure a sighting is, by judgement: what else it could be is rarer than that.
        SURE = 0.75
        SHORT_BARS = 2
        NEAR_DB = 3.0

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          first = scene.sections.find { |section| section.bars > SHORT_BARS } or return []
          return [] if scene.sections.index(first) > 1

          chorus = scene.sections.find { |section| section.label.start_with?("chorus") && section.first_bar > first.last_bar }
          return [] unless chorus && letter(first) == letter(chorus) && (level(scene, chorus) - level(scene, first)) < NEAR_DB

          [scene.sighting(KIND, first.bar_range, confidence: SURE,
            evidence: scene.evidence("loudness by bar", scene.energy, unit: "LUFS", threshold: level(scene, chorus) - NEAR_DB))]
        end

        def self.letter(section) = section.letter.delete("'")
        private_class_method :letter

        def self.level(scene, section) = scene.energy[scene.bars_in(section)].then { |bars| bars.sum / bars.size }
        private_class_method :level
      end
    end
  end
end
