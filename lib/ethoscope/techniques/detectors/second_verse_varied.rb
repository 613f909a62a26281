# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # A section comes back with the same letter and other layers. How it is recognised is our own.
      module SecondVerseVaried
        KIND = "second_verse_varied"
        # How sure a sighting is, by judgement: what else it could be is rarer than that.
        SURE = 0.8
        # A layer plays in a section from this mean activity on, and rests under that one.
        PLAYS = 0.6
        RESTS = 0.25
        CHANGES = (1..3)

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          verses = scene.sections.select { |section| section.label.start_with?("verse") }
          return [] if scene.layers.all? { |layer| layer.source == "mix" }

          verses.drop(1).filter_map do |verse|
            first = verses.first
            next unless letter(verse) == letter(first)

            changes = scene.layers.count { |layer| [plays(layer, scene, first), plays(layer, scene, verse)].then { |a, b| [a, b].min < RESTS && [a, b].max > PLAYS } }
            sighting(scene, first, verse, changes) if CHANGES.cover?(changes)
          end
        end

        def self.letter(section) = section.letter.delete("'")
        private_class_method :letter

        def self.plays(layer, scene, section) = layer.activity[scene.bars_in(section)].then { |bars| bars.sum / bars.size }
        private_class_method :plays

        def self.sighting(scene, first, verse, changes)
          counts = Array.new(scene.grid.bars) { |bar| scene.layers.count { |layer| layer.activity[bar] > PLAYS } }
          scene.sighting(KIND, verse.bar_range, confidence: SURE, source: scene.source_of(scene.layers.map(&:role)), detail: { changes: },
            evidence: scene.evidence("layers that play, from the first verse on", counts[(first.first_bar - 1)...verse.last_bar], unit: "layers", first_bar: first.first_bar))
        end
        private_class_method :sighting
      end
    end
  end
end
