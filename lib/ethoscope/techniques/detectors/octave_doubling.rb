# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # A part is joined by itself an octave higher in a section. A mix does not tell this from a brighter sound: notes or a stem are needed.
      module OctaveDoubling
        KIND = "octave_doubling"
        ROLES = %w[chords pad lead strings brass guitar counter-melody].freeze
        # Share of a section's moments with every top note doubled below, and in how many of the part's other sections at the most.
        DOUBLED = 0.8
        ELSEWHERE = 0.4
        # For stems: strength of the octave over the lower note, against the part's other sections.
        STRONGER = 1.6

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          scene.told.select { |player| ROLES.include?(player.role) }.flat_map do |player|
            shares = scene.sections.to_h { |section| [section, player.source == "midi" ? written(scene, player, section) : heard(scene, player, section)] }.compact
            doubled(scene, player, shares)
          end
        end

        # Share of the moments of a section at which the part has a note and its octave.
        def self.written(scene, player, section)
          moments = player.within(scene.beats_in(section)).select(&:pitch).group_by { |event| (event.beat * 8).round }.values
          return nil if moments.size < section.bars / 2.0

          moments.count do |events|
            pitches = events.map(&:pitch) and pitches.size > 1 && pitches.count do |pitch|
              pitches.include?(pitch - 12) || pitches.include?(pitch + 12)
            end >= pitches.size * 0.8
          end / moments.size.to_f
        end
        private_class_method :written

        # Notes whose octave is as strong as they are, as a share of those that sound.
        def self.heard(scene, player, section)
          return nil unless player.sound&.notes

          halves = scene.grid.half_beats_of(section).select { |half| player.sound.notes.sounding[half]&.any? }
          return nil if halves.size < section.bars

          halves.sum { |half| octave_share(player.sound.notes.strength(half..half)) } / halves.size
        end
        private_class_method :heard

        def self.octave_share(strength)
          lower = strength.max_index
          octave = lower + 12 < strength.size ? strength[lower + 12] : 0.0
          under = lower >= 12 ? strength[lower - 12] : 0.0
          [octave, under].max / [strength[lower], 1e-9].max
        end
        private_class_method :octave_share

        def self.doubled(scene, player, shares)
          shares.filter_map do |section, share|
            others = shares.except(section).values.sort
            next if others.empty? || !stands_out?(player, share, others[others.size / 2])

            scene.sighting(KIND, section.bar_range, confidence: player.source == "midi" ? 0.97 : 0.75, source: player.source, detail: { part: player.name },
              evidence: scene.evidence("share of doubled notes in #{player.name}, by section", shares.values, unit: "of 1", threshold: DOUBLED,
                step: scene.grid.bars / shares.size.to_f))
          end
        end
        private_class_method :doubled

        def self.stands_out?(player, share, usual)
          player.source == "midi" ? share >= DOUBLED && usual <= ELSEWHERE : share > usual * STRONGER && share > 0.5
        end
        private_class_method :stands_out?
      end
    end
  end
end
