# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # Nothing above some frequency, with a steep edge, though there is plenty below: what a low sampling rate leaves. On stems that would
      # have highs, and on the mix.
      module LowRate
        KIND = "low_rate"
        # Edges that are looked at, in Hz, how steeply the level falls there within an octave, and how little of it an octave below may fall.
        EDGES = (2500..10_000)
        STEEP_DB = 45.0
        GENTLE_DB = 20.0
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

        # The third octave over which the level falls off a cliff, with the spectrum in dB.
        def self.edge(features)
          spectrum = Numo::NMath.log10((features.field.left + features.field.right).mean(axis: 0) + 1e-14) * 10
          centres = Audio::SoundField::CENTRES
          band = (0...(centres.size - 3)).find { |i| EDGES.cover?(centres[i]) && spectrum[i] - spectrum[i + 3] > STEEP_DB && spectrum[i - 3] - spectrum[i] < GENTLE_DB }
          band && [centres[band], spectrum.to_a]
        end
        private_class_method :edge

        def self.sighting(scene, found, name, source)
          scene.sighting(KIND, 1..scene.grid.bars, confidence: 0.8, source:, detail: { cutoff_hz: found.first, part: name },
            evidence: scene.evidence("level by third octave of #{name}, from low to high", found.last, unit: "dB", step: scene.grid.bars / found.last.size.to_f))
        end
        private_class_method :sighting
      end
    end
  end
end
