# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # The last bar before a chorus falls several dB under the bars before it and under the chorus. How it is recognised is our own.
      module ThinBar
        KIND = "thin_bar"
        # How sure a sighting is, by judgement: what else it could be is rarer than that.
        SURE = 0.55
        UNDER_DB = 4.0
        BACK_DB = 5.0
        # Far more than that is a silence.
        SILENT_DB = 30.0

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          scene.sections.each_cons(2).filter_map do |before, after|
            next unless after.label.match?(/chorus|drop/) && before.bars >= 4

            level = scene.energy[before.last_bar - 1]
            body = scene.energy[(before.first_bar - 1)...(before.last_bar - 1)].then { |bars| Signal::Middle.of(bars) }
            back = scene.energy[after.first_bar - 1] - level
            sighting(scene, before, after, body - level) if (body - level).between?(UNDER_DB, SILENT_DB) && back >= BACK_DB
          end
        end

        def self.sighting(scene, before, after, drop)
          first = [before.last_bar - 7, before.first_bar].max
          shown = scene.energy[(first - 1)...[after.first_bar + 1, scene.grid.bars].min]
          scene.sighting(KIND, before.last_bar..before.last_bar, confidence: SURE + (drop / 30), detail: { drop_db: drop.round(1) },
            evidence: scene.evidence("loudness by bar", shown, unit: "LUFS", threshold: scene.energy[before.last_bar - 1] + drop - UNDER_DB, first_bar: first))
        end
        private_class_method :sighting
      end
    end
  end
end
