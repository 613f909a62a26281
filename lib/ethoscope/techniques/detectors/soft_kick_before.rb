# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # A soft kick one or two sixteenths ahead of a hard one, as a habit. How it is recognised is our own.
      module SoftKickBefore
        KIND = "soft_kick_before"
        # How sure a sighting is, by judgement: read from notes, or heard.
        SURE_WRITTEN = 0.97
        SURE_HEARD = 0.75
        SOFT = 0.72
        AHEAD = [1, 2].freeze
        # Share of bars in which it happens, and times at the least.
        SHARE = 0.2
        FEWEST = 3

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          kick = scene.told.find { |player| player.role == "kick" } or return []
          pairs = kick.events.each_cons(2).select { |soft, hard| ahead?(soft, hard) }
          bars = pairs.map { |soft, _| scene.bar_of(soft.beat) }.tally
          pairs.size < FEWEST || bars.size < SHARE * scene.grid.bars ? [] : [sighting(scene, kick, pairs, bars)]
        end

        def self.sighting(scene, kick, pairs, bars)
          softness = pairs.sum { |soft, hard| soft.velocity / hard.velocity } / pairs.size
          ahead = pairs.map { |soft, hard| steps(soft, hard) }.tally.max_by(&:last).first
          scene.sighting(KIND, bars.keys.min..bars.keys.max, confidence: kick.source == "midi" ? SURE_WRITTEN : SURE_HEARD, source: kick.source,
            detail: { ahead:, velocity: (softness * 100).round },
            evidence: scene.evidence("soft kicks ahead of a hard one, by bar", (1..scene.grid.bars).map { |bar| bars.fetch(bar, 0) }, unit: "kicks", threshold: 1))
        end
        private_class_method :sighting

        def self.steps(soft, hard) = ((hard.beat - soft.beat) * 4).round
        private_class_method :steps

        def self.ahead?(soft, hard) = AHEAD.include?(steps(soft, hard)) && soft.velocity < SOFT * hard.velocity
        private_class_method :ahead?
      end
    end
  end
end
