# frozen_string_literal: true

module Ethoscope
  module Techniques
    # A dull or narrow section that opens into a bright or wide one.
    module Opening
      FILTERED = "filtered_section"
      NARROW = "width_contrast"
      # Brightness must rise by this many dB from one section to the next: a filter does that, one more instrument does not.
      BRIGHTER_DB = 15.0
      # The narrow section has at most this much side energy, and the next one this many times more.
      NARROW_SHARE = 0.01
      WIDER = 3.5

      # @param scene [Scene]
      # @return [Array<Sighting>]
      def self.find(scene)
        scene.sections.each_cons(2).flat_map do |before, after|
          [filtered(scene, before, after), narrow(scene, before, after)].compact
        end
      end

      # The middle bar's value, so that a bar without drums or a fill does not speak for the section.
      def self.middle(values, section) = values[(section.first_bar - 1)...section.last_bar].sort.then { |part| part[part.size / 2] }
      private_class_method :middle

      def self.filtered(scene, before, after)
        rise = middle(scene.brightness, after) - middle(scene.brightness, before)
        return nil if rise < BRIGHTER_DB

        scene.sighting(FILTERED, before.first_bar..before.last_bar, confidence: 0.4 + (rise / 40),
          detail: { opens_by_db: rise.round(1) })
      end
      private_class_method :filtered

      def self.narrow(scene, before, after)
        here = middle(scene.width, before)
        there = middle(scene.width, after)
        return nil unless here <= NARROW_SHARE && there > [here * WIDER, 0.02].max

        scene.sighting(NARROW, before.first_bar..before.last_bar, confidence: 0.5 + there,
          detail: { side_share: here.round(3), opens_to: there.round(3) })
      end
      private_class_method :narrow
    end
  end
end
