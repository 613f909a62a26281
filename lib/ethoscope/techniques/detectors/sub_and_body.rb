# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # Two bass stems with the same notes that hardly share a frequency: a sub, and a body over it. How it is recognised is our own.
      module SubAndBody
        KIND = "sub_and_body"
        # Bands this far below the edge are sub for sure.
        BELOW = 0.7
        # How sure a sighting is, by judgement: what else it could be is rarer than that.
        SURE = 0.9
        # The sub ends under this frequency; the body has at most this share of its energy there.
        SUB_HZ = 200
        SHARED = 0.15
        TOGETHER = 0.6
        PLAYS = 0.3

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          sounds = scene.players.filter_map(&:sound).select { |sound| sound.role == "bass" }.uniq
          sub = sounds.find { |sound| sound.tone.bandwidth.last <= SUB_HZ }
          body = (sounds - [sub]).find { |sound| low_share(sound) <= SHARED }
          return [] unless sub && body

          [together(scene, sub, body)].compact
        end

        def self.together(scene, sub, body)
          both = sub.presence.activity.zip(body.presence.activity).map(&:min)
          bars = both.each_index.select { |bar| both[bar] > PLAYS }
          return nil if bars.empty? || bars.size < TOGETHER * sub.presence.activity.count(&:positive?)

          scene.sighting(KIND, (bars.first + 1)..(bars.last + 1), confidence: SURE, source: "stem", detail: { split_hz: sub.tone.bandwidth.last },
            evidence: scene.evidence("bars in which sub and body play together", both, unit: "of 1", threshold: PLAYS))
        end
        private_class_method :together

        def self.low_share(sound)
          field = sound.features.field
          power = (field.left + field.right).mean(axis: 0)
          low = Audio::SoundField::CENTRES.each_index.select { |band| Audio::SoundField::CENTRES[band] < SUB_HZ * BELOW }
          power[low].sum / [power.sum, 1e-12].max
        end
        private_class_method :low_share
      end
    end
  end
end
