# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # Nothing above some frequency, with a steep edge, though there is plenty below: what a low sampling rate leaves. On stems that would
      # have highs, and on the mix. How it is recognised is our own.
      module LowRate
        KIND = "low_rate"
        # How sure a sighting is, by judgement: what else it could be is rarer than that.
        SURE = 0.8
        # Edges that are looked at, in Hz; how far the level falls within three tenths of an octave and stays fallen, and how little it may
        # fall in the octave before, in dB.
        EDGES = (2500..8500)
        STEEP_DB = 18.0
        GENTLE_DB = 15.0
        ACROSS = 3
        # There must be something to cut: the level before the edge against the loudest band, in dB.
        MATTERS_DB = -40.0
        OCTAVE = Signal::ShortTime::BANDS_PER_OCTAVE
        ROLES = %w[snare hats percussion chords vocal guitar texture drums].freeze

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          whole = scene.features && edge(scene.features)
          return [sighting(scene, whole, "the mix", "mix")] if whole

          scene.players.filter_map(&:sound).uniq.select { |sound| ROLES.include?(sound.role) }.filter_map do |sound|
            found = edge(sound.features)
            found && sighting(scene, found, sound.stem.name, "stem")
          end
        end

        # The frequency over which the level falls off a cliff, with the level of each band in dB.
        def self.edge(features)
          level = Numo::NMath.log10(Numo::DFloat.cast(features.short.bands.mean(axis: 0)) + 1e-9) * 20
          centres = features.short.centres
          band = (OCTAVE...(centres.size - ACROSS)).find do |i|
            EDGES.cover?(centres[i]) && level[i] > level.max + MATTERS_DB && level[i] - level[(i + ACROSS)..].max > STEEP_DB && level[i - OCTAVE] - level[i] < GENTLE_DB
          end
          band && [centres[band].round(-2), level.to_a]
        end
        private_class_method :edge

        def self.sighting(scene, found, name, source)
          scene.sighting(KIND, 1..scene.grid.bars, confidence: SURE, source:, detail: { cutoff_hz: found.first, part: name },
            evidence: scene.evidence("level of each band of #{name}, from low to high", found.last, unit: "dB", step: scene.grid.bars / found.last.size.to_f))
        end
        private_class_method :sighting
      end
    end
  end
end
