# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # A stem wanders from side to side at a steady rate. How it is recognised is our own.
      module AutoPan
        KIND = "auto_pan"
        # How sure a sighting is, by judgement: what else it could be is rarer than that.
        SURE = 0.85

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          scene.players.filter_map(&:sound).uniq.filter_map do |sound|
            motion = sound.stereo.motion or next
            playing = sound.presence.activity.each_index.select { |bar| sound.presence.activity[bar].positive? }
            scene.sighting(KIND, (playing.first + 1)..(playing.last + 1), confidence: SURE, source: "stem",
              detail: { turn_bars: motion[:bars], range: motion[:range] / 2, part: sound.stem.name },
              evidence: scene.evidence("place of #{sound.stem.name} between left and right", sound.stereo.pans, unit: "-1 to 1"))
          end
        end
      end
    end
  end
end
