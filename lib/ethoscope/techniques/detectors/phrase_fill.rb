# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # Kick and snare depart from their pattern in the last bar of phrases. How it is recognised is our own.
      module PhraseFill
        KIND = "phrase_fill"
        # Of the last bars so many differ.
        MOST = 0.75
        # How sure a sighting is, by judgement: read from notes, or heard.
        SURE_WRITTEN = 0.95
        SURE_HEARD = 0.7
        PIECES = %w[kick snare].freeze
        LENGTHS = [4, 8].freeze
        # Steps that must differ in the last bar, and at the most in the others, as shares of the strokes of a bar.
        DIFFERS = 0.35
        USUAL = 0.2
        FEWEST = 2

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          told = scene.told.select { |player| PIECES.include?(player.role) }
          return [] if told.empty?

          bars = (0...scene.grid.bars).map { |bar| told.flat_map { |player| strokes(scene, player, bar) } }
          scene.sections.filter_map { |section| in_section(scene, told, bars, section) }
        end

        def self.strokes(scene, player, bar)
          first = bar * scene.bar_beats
          player.within(first...(first + scene.bar_beats)).map { |event| [player.role, ((event.beat - first) * 4).round] }.uniq
        end
        private_class_method :strokes

        def self.in_section(scene, told, bars, section)
          own = bars[scene.bars_in(section)]
          pattern = own.flatten(1).tally.select { |_, count| count > own.size / 2.0 }.keys
          return nil if pattern.size < 2

          differing = own.map { |strokes| ((strokes - pattern).size + (pattern - strokes).size) / pattern.size.to_f }
          length = LENGTHS.find { |every| own.size >= every * FEWEST && fills?(differing, every) } or return nil
          scene.sighting(KIND, section.bar_range, confidence: told.first.source == "midi" ? SURE_WRITTEN : SURE_HEARD, source: told.first.source, detail: { every: length },
            evidence: scene.evidence("strokes against the pattern", differing, unit: "of a bar's strokes", threshold: DIFFERS, first_bar: section.first_bar))
        end
        private_class_method :in_section

        def self.fills?(differing, every)
          last, others = differing.each_with_index.partition { |_, bar| (bar % every) == every - 1 }.map { |list| list.map(&:first) }
          last.size >= FEWEST && last.count { |share| share >= DIFFERS } >= MOST * last.size && others.sum / others.size <= USUAL
        end
        private_class_method :fills?
      end
    end
  end
end
