# frozen_string_literal: true

module Ethoscope
  module Techniques
    # A dull or narrow section that opens into a bright or wide one.
    module Opening
      FILTERED = "filtered_section"
      NARROW = "width_contrast"
      # Brightness must rise by this many dB from one section to the next.
      BRIGHTER_DB = 9.0
      # The narrow section has at most this much side energy, and the next one this many times more.
      NARROW_SHARE = 0.06
      WIDER = 3.5

      # @param scene [Scene]
      # @return [Array<Sighting>]
      def self.find(scene)
        scene.sections.each_cons(2).flat_map do |before, after|
          [filtered(scene, before, after), narrow(scene, before, after)].compact
        end
      end

      def self.mean(values, section) = values[(section.first_bar - 1)...section.last_bar].then { |part| part.sum / part.size }
      private_class_method :mean

      def self.filtered(scene, before, after)
        rise = mean(scene.brightness, after) - mean(scene.brightness, before)
        return nil if rise < BRIGHTER_DB

        scene.sighting(FILTERED, before.first_bar..before.last_bar, confidence: 0.4 + (rise / 40),
          detail: { opens_by_db: rise.round(1) })
      end
      private_class_method :filtered

      def self.narrow(scene, before, after)
        here = mean(scene.width, before)
        there = mean(scene.width, after)
        return nil unless here <= NARROW_SHARE && there > [here * WIDER, 0.02].max

        scene.sighting(NARROW, before.first_bar..before.last_bar, confidence: 0.5 + there,
          detail: { side_share: here.round(3), opens_to: there.round(3) })
      end
      private_class_method :narrow
    end
  end
end
