# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # Bass notes start where no kick is. How it is recognised is our own.
      module BassLeavesRoom
        KIND = "bass_leaves_room"
        # How sure a sighting is, by judgement: what else it could be is rarer than that.
        SURE = 0.85
        # Share of bass onsets with a kick at the most, and onsets a bar at the least; what chance would give must be clearly more.
        SHARED = 0.12
        FEWEST = 1.5
        NEAR = 0.09
        LESS_THAN_CHANCE = 0.4

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          bass, kick = %w[bass kick].map { |role| scene.told.find { |player| player.role == role } }
          return [] unless bass && kick

          found = scene.sections.filter_map { |section| in_section(scene, bass, kick, section) }
          found.slice_when { |(a, _), (b, _)| b.first_bar != a.last_bar + 1 }.map do |run|
            bars = run.first[0].first_bar..run.last[0].last_bar
            scene.sighting(KIND, bars, confidence: SURE, source: bass.source, detail: { shared: (run.sum(&:last) / run.size * 100).round },
              evidence: scene.evidence("share of bass onsets on a kick", run.map(&:last), unit: "of 1", threshold: SHARED, first_bar: bars.begin, step: run.first[0].bars))
          end
        end

        def self.in_section(scene, bass, kick, section)
          notes, kicks = [bass, kick].map { |player| player.within(scene.beats_in(section)) }
          return nil if [notes, kicks].any? { |list| list.size < FEWEST * section.bars }

          shared = notes.count { |note| kicks.any? { |other| (other.beat - note.beat).abs < NEAR } } / notes.size.to_f
          chance = kicks.size / (section.bars * scene.bar_beats * 2.0)
          [section, shared] if shared <= SHARED && shared < chance * LESS_THAN_CHANCE
        end
        private_class_method :in_section
      end
    end
  end
end
