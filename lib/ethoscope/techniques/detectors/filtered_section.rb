# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # A section without its highs that opens into one with them. How it is recognised is our own.
      module FilteredSection
        KIND = "filtered_section"
        # How sure a sighting is, by judgement: what else it could be is rarer than that.
        SURE = 0.4
        # Brightness must rise by this many dB from one section to the next: a filter does that, one more instrument does not.
        BRIGHTER_DB = 15.0
        # The cut-off lies where the section falls this far under the next one, in dB.
        CUT_DB = 6.0

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          scene.sections.each_cons(2).filter_map do |before, after|
            rise = scene.middle(scene.brightness, after) - scene.middle(scene.brightness, before)
            rise >= BRIGHTER_DB ? sighting(scene, before, after, rise) : nil
          end
        end

        def self.sighting(scene, before, after, rise)
          cutoff = scene.features && cutoff(scene, before, after)
          scene.sighting(KIND, before.bar_range, confidence: SURE + (rise / 40), detail: { opens_by_db: rise.round(1), cutoff_hz: cutoff }.compact,
            evidence: scene.evidence("level above 3 kHz against all", scene.brightness[(before.first_bar - 1)...after.last_bar], unit: "dB",
              threshold: scene.middle(scene.brightness, after) - BRIGHTER_DB, first_bar: before.first_bar))
        end
        private_class_method :sighting

        # The lowest third octave from which on all above are cut, held against the next section.
        def self.cutoff(scene, before, after)
          here, there = [before, after].map { |section| spectrum(scene, section) }
          loss = there - here
          cut = (0...loss.size).select { |band| loss[band..].min > loss.min + CUT_DB }
          cut.empty? ? nil : Audio::SoundField::CENTRES[cut.first]
        end
        private_class_method :cutoff

        def self.spectrum(scene, section)
          field = scene.features.field
          frames = field.frames(section.start, section.end)
          Numo::NMath.log10((field.left + field.right)[frames, true].mean(axis: 0) + 1e-12) * 10
        end
        private_class_method :spectrum
      end
    end
  end
end
