# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # The bass stays on one note while the chords above it change. How it is recognised is our own.
      module Pedal
        KIND = "pedal"
        # A bass out of a mix makes a sighting only so sure, one of a stem or notes this sure.
        MIX_SHARE = 0.85
        SURE_BESIDE = 0.95
        # Share of the bass that is that note, of the time in which the chord has another root, and how many chords there are.
        STAYS = 0.85
        OTHER_ROOTS = 0.4
        ROOTS = 3
        # Where every bass note is known, two roots that keep changing are enough, and one bar in four under the other.
        OTHER_ROOTS_TOLD = 0.25
        CHANGES_TOLD = 2
        PLAYS = 0.4
        # A root counts when it holds this share of the section.
        COUNTS = 0.08

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          bass = scene.player("bass") or return []
          roots = scene.spans.flat_map { |span| [span.chord.root] * (span.last - span.first) }.drop(2 * scene.grid.pickup)
          found = scene.sections.filter_map { |section| in_section(scene, bass, roots, section) }
          found.slice_when { |a, b| b[0].first_bar != a[0].last_bar + 1 || a[1] != b[1] }.map { |run| sighting(scene, bass, run) }
        end

        def self.in_section(scene, bass, roots, section)
          beats = scene.beats_in(section)
          held = bass.within(beats).select(&:pitch).group_by { |event| event.pitch % 12 }.transform_values { |events| events.sum(&:beats) }
          note, longest = held.max_by(&:last)
          return nil if note.nil? || held.values.sum < PLAYS * beats.size || longest < STAYS * held.values.sum

          [section, note, longest / held.values.sum] if moving?(roots[(2 * beats.begin)...(2 * beats.end)].to_a.compact, note, bass.source == "midi")
        end
        private_class_method :in_section

        # Whether the roots above are enough, and others than that note.
        def self.moving?(above, note, told)
          others = above.count { |root| root != note } / above.size.to_f
          kinds = above.tally.count { |_, count| count >= COUNTS * above.size }
          return true if kinds >= ROOTS && others >= OTHER_ROOTS

          told && others >= OTHER_ROOTS_TOLD && above.each_cons(2).count { |one, other| one != other } >= CHANGES_TOLD
        end
        private_class_method :moving?

        def self.sighting(scene, bass, run)
          bars = run.first[0].first_bar..run.last[0].last_bar
          pitches = bars.map { |bar| bass.within(scene.beats_of(bar)).filter_map(&:pitch).min }
          name = scene.key ? scene.key.spell(run.first[1]) : Harmony::PitchClass.spell(run.first[1], "C")
          scene.sighting(KIND, bars, confidence: bass.source == "mix" ? run.sum(&:last) / run.size * MIX_SHARE : SURE_BESIDE, source: bass.source, detail: { note: name },
            evidence: scene.evidence("lowest note of the bass", pitches, unit: "MIDI note", first_bar: bars.begin))
        end
        private_class_method :sighting
      end
    end
  end
end
