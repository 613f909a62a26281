# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # A section close to mono that opens into a wide one. How it is recognised is our own.
      module WidthContrast
        KIND = "width_contrast"
        # How sure a sighting is, by judgement: what else it could be is rarer than that.
        SURE = 0.5
        # The narrow section has at most this much side energy, and the next one this many times more.
        NARROW_SHARE = 0.003
        WIDER = 3.5
        LEAST = 0.02

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          scene.sections.each_cons(2).filter_map do |before, after|
            here = scene.middle(scene.width, before)
            there = scene.middle(scene.width, after)
            sighting(scene, before, after, here, there) if here <= NARROW_SHARE && there > [here * WIDER, LEAST].max
          end
        end

        def self.sighting(scene, before, after, here, there)
          scene.sighting(KIND, before.bar_range, confidence: SURE + there, detail: { side_share: here.round(3), opens_to: there.round(3) },
            evidence: scene.evidence("share of the side signal", scene.width[(before.first_bar - 1)...after.last_bar], unit: "of all energy", threshold: NARROW_SHARE,
              first_bar: before.first_bar))
        end
        private_class_method :sighting
      end
    end
  end
end
