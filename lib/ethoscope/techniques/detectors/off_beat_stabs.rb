# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # Short chords on the second eighth of the beat and not on the beat. In a mix they hide among other strokes: notes or a stem are needed.
      # How it is recognised is our own.
      module OffBeatStabs
        KIND = "off_beat_stabs"
        # Where in its beat an off-beat is played, straight or swung.
        OFF_BEAT = (0.35..0.72)
        # How sure a sighting is, by judgement: read from notes, or heard.
        SURE_WRITTEN = 0.97
        SURE_HEARD = 0.8
        ROLES = %w[chords guitar brass lead].freeze
        # Share of onsets off the beat, onsets a bar at the least, and how long a written stab may be, in beats.
        OFF = 0.8
        FEWEST = 1.5
        SHORT = 0.55

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          return [] if scene.grid.meter.compound

          scene.told.select { |player| ROLES.include?(player.role) }.flat_map do |player|
            scene.sections.filter_map { |section| in_section(scene, player, section) }
          end
        end

        def self.in_section(scene, player, section)
          events = player.within(scene.beats_in(section)).uniq { |event| (event.beat * 4).round }
          return nil if events.size < FEWEST * section.bars

          share = off_beats(events) / events.size.to_f
          share >= OFF && short?(player, events) ? sighting(scene, player, section, events, share) : nil
        end
        private_class_method :in_section

        # Of a stem nothing is said of how long notes are.
        def self.short?(player, events) = player.source != "midi" || events.count { |event| event.beats <= SHORT } >= OFF * events.size
        private_class_method :short?

        def self.sighting(scene, player, section, events, share)
          by_bar = section.bar_range.map do |bar|
            here = events.select { |event| scene.bar_of(event.beat) == bar }
            here.empty? ? nil : off_beats(here) / here.size.to_f
          end
          scene.sighting(KIND, section.bar_range, confidence: player.source == "midi" ? SURE_WRITTEN : SURE_HEARD, source: player.source,
            detail: { part: player.name, share: (share * 100).round },
            evidence: scene.evidence("share of onsets off the beat", by_bar, unit: "of 1", threshold: OFF, first_bar: section.first_bar))
        end
        private_class_method :sighting

        def self.off_beats(events) = events.count { |event| OFF_BEAT.cover?(event.beat % 1) }
        private_class_method :off_beats
      end
    end
  end
end
