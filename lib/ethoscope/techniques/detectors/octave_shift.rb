# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # A part comes back an octave higher or lower in a repeat of its section: by its notes where they are told; in a mix, where only higher
      # ones are told, by what is new and what is gone ({OctaveModel}). How it is recognised is our own.
      module OctaveShift
        KIND = "octave_shift"
        # Of two runs of notes so much is told of both ...
        SHARED = 0.6
        # ... and not fewer notes than these ...
        FEWEST = 4
        # How sure a sighting is, by judgement: read from notes, or heard.
        SURE_WRITTEN = 0.98
        SURE_HEARD = 0.85
        # In a mix it is told from this likelihood on: more than songs with truth ask for, since records bring new sounds with their returns.
        LIKELY = 0.65
        # Of the notes that are told of both runs so many move alike.
        MOST = 0.7

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          told = scene.told.reject { |player| Layers::Role::STRUCK.include?(player.role) || player.pitches.empty? }
          return told.flat_map { |player| in_part(scene, player) }.uniq { |sighting| [sighting.first_bar, sighting.detail[:semitones]] } if told.any?

          scene.notes ? in_mix(scene) : []
        end

        # Sections of which an earlier one has the same letter and about the same length.
        def self.repeats(scene)
          scene.sections.each_with_index.filter_map do |section, i|
            earlier = scene.sections.first(i).select { |other| alike?(other, section) }
            [section, earlier] if earlier.any?
          end
        end
        private_class_method :repeats

        def self.alike?(one, other) = one.letter.delete("'") == other.letter.delete("'") && (one.bars - other.bars).abs <= [one.bars, other.bars].max / 2
        private_class_method :alike?

        def self.in_part(scene, player)
          repeats(scene).filter_map do |section, earlier|
            moves = earlier.map { |other| middle_move(scene, player, other, section) }
            next unless moves.all? && moves.uniq.size == 1 && [-12, 12].include?(moves.first)

            pitches = (earlier.last.bar_range.to_a + section.bar_range.to_a).map do |bar|
              middle(player.within(scene.beats_of(bar)).filter_map(&:pitch))
            end
            scene.sighting(KIND, section.bar_range, confidence: player.source == "midi" ? SURE_WRITTEN : SURE_HEARD, source: player.source,
              detail: { semitones: moves.first, part: player.name },
              evidence: scene.evidence("middle note of #{player.name}, before and here", pitches, unit: "MIDI note", first_bar: earlier.last.first_bar))
          end
        end
        private_class_method :in_part

        # How far the same notes lie apart, top and bottom ones alike; nil when they are not the same notes.
        def self.middle_move(scene, player, before, here)
          one, other = [before, here].map { |section| by_place(scene, player, section) }
          shared = one.keys & other.keys
          return nil if shared.size < [one.size, other.size].max * SHARED || shared.size < FEWEST

          moves = shared.map { |place| [other[place].max - one[place].max, other[place].min - one[place].min].then { |top, low| top == low ? top : nil } }.tally
          move, count = moves.max_by(&:last)
          count >= shared.size * MOST ? move : nil
        end
        private_class_method :middle_move

        # The pitches at each place of the section, to a quarter of a beat.
        def self.by_place(scene, player, section)
          beats = scene.beats_in(section)
          player.within(beats).select(&:pitch).group_by { |event| ((event.beat - beats.begin) * 4).round }.transform_values { |events| events.map(&:pitch) }
        end
        private_class_method :by_place

        def self.middle(values) = Signal::Middle.of(values)
        private_class_method :middle

        def self.in_mix(scene)
          rows = RegisterFeatures.rows(scene.notes)
          passages = scene.sections.to_h { |section| [section, rows[scene.grid.half_beats_of(section).to_a, true]] }
          repeats(scene).filter_map do |section, earlier|
            next if earlier.none? { |other| other.letter == section.letter }

            others = scene.sections.select { |other| other != section && other.letter == section.letter && alike?(other, section) }
            likely = likelihood(passages[section], passages.values_at(*others))
            mix_sighting(scene, section, likely) if likely > LIKELY
          end
        end
        private_class_method :in_mix

        # How likely a part is an octave higher here than in the others of this letter: what has another dress has other registers.
        def self.likelihood(here, others)
          odds = others.sum { |other| OctaveModel.shipped.log_odds(other, here) } / others.size
          1 / (1 + Math.exp(-odds))
        end
        private_class_method :likelihood

        def self.mix_sighting(scene, section, likely)
          scene.sighting(KIND, section.bar_range, confidence: likely, detail: { semitones: 12 },
            evidence: scene.evidence("likelihood that a part is an octave away from where it is in the other parts of this letter", [likely], unit: "of 1", threshold: LIKELY,
              first_bar: section.first_bar, step: section.bars))
        end
        private_class_method :mix_sighting
      end
    end
  end
end
