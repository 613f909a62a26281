# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # A part is joined by itself an octave higher in a section. Sound does not tell this from a brighter sound or another register of an
      # organ: written notes are needed. How it is recognised is our own.
      module OctaveDoubling
        KIND = "octave_doubling"
        # Of the notes of a chord so many have their octave.
        MOST = 0.8
        # How sure a sighting is, by judgement: what else it could be is rarer than that.
        SURE = 0.97
        ROLES = %w[chords pad lead strings brass guitar counter-melody].freeze
        # Share of a section's moments with every note doubled, and in how many of the part's other sections at the most.
        DOUBLED = 0.8
        ELSEWHERE = 0.4

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          scene.told.select { |player| player.source == "midi" && ROLES.include?(player.role) }.flat_map do |player|
            doubled(scene, player, scene.sections.to_h { |section| [section, written(scene, player, section)] }.compact)
          end
        end

        # Share of the moments of a section at which the part has each note and its octave.
        def self.written(scene, player, section)
          moments = player.within(scene.beats_in(section)).select(&:pitch).group_by { |event| (event.beat * 8).round }.values
          moments.size < section.bars / 2.0 ? nil : moments.count { |events| octaves?(events.map(&:pitch)) } / moments.size.to_f
        end
        private_class_method :written

        def self.octaves?(pitches) = pitches.size > 1 && pitches.count { |pitch| pitches.include?(pitch - 12) || pitches.include?(pitch + 12) } >= pitches.size * MOST
        private_class_method :octaves?

        def self.doubled(scene, player, shares)
          shares.filter_map do |section, share|
            others = shares.except(section).values
            next if others.empty? || share < DOUBLED || Signal::Middle.of(others) > ELSEWHERE

            scene.sighting(KIND, section.bar_range, confidence: SURE, source: "midi", detail: { part: player.name },
              evidence: scene.evidence("share of doubled notes in #{player.name}, by section", shares.values, unit: "of 1", threshold: DOUBLED,
                step: scene.grid.bars / shares.size.to_f))
          end
        end
        private_class_method :doubled
      end
    end
  end
end
