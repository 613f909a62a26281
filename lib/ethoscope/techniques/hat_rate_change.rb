# frozen_string_literal: true

module Ethoscope
  module Techniques
    # The hats double or halve their rate where a section begins.
    module HatRateChange
      KIND = "hat_rate_change"
      FASTER = 1.6
      # Fewer strokes a beat than this are no hat pattern.
      SLOWEST = 0.8

      # @param scene [Scene]
      # @return [Array<Sighting>]
      def self.find(scene)
        scene.sections.each_cons(2).filter_map { |before, after| change(scene, before, after) }
      end

      def self.change(scene, before, after)
        from = rate(scene, before)
        to = rate(scene, after)
        slow, fast = [from, to].minmax
        return nil if slow < SLOWEST || fast / slow < FASTER

        scene.sighting(KIND, after.first_bar..after.last_bar, confidence: 0.4 + ((fast / slow) / 8),
          detail: { from_per_beat: from.round(1), to_per_beat: to.round(1) })
      end
      private_class_method :change

      def self.rate(scene, section)
        rates = scene.hat_rates[(section.first_bar - 1)...section.last_bar].sort
        rates[rates.size / 2]
      end
      private_class_method :rate
    end
  end
end
