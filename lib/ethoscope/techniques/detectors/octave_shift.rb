# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # A part comes back an octave higher or lower in a repeat of its section: the notes that are new are those that are gone, twelve
      # semitones away. How it is recognised is our own.
      module OctaveShift
        KIND = "octave_shift"
        # Of two runs of notes so much is told of both ...
        SHARED = 0.6
        # ... and not fewer notes than these ...
        FEWEST = 4
        # What a stem reaches in a fifth of its time is loud.
        LOUD = 0.8
        # How sure a sighting is, by judgement: read from notes, or heard.
        SURE_WRITTEN = 0.98
        SURE_HEARD = 0.85
        # MIDI pitches that are looked at on the mix: below them the bass moves by octaves too easily.
        LOWEST = 48
        # Likeness of lost and new notes at an octave, and how much better that must be than at other intervals.
        ALIKE = 0.55
        BETTER = 0.12
        OTHERS = [-7, -5, -4, 4, 5, 7].freeze
        # Both must be this share of what was there before.
        MOVED = 0.3
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
            earlier = scene.sections.first(i).select do |other|
              other.letter.delete("'") == section.letter.delete("'") && (other.bars - section.bars).abs <= [other.bars, section.bars].max / 2
            end
            [section, earlier] if earlier.any?
          end
        end
        private_class_method :repeats

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
          rows = Numo::DFloat.cast(scene.notes.activation)
          rows = (rows / [Signal::Series.percentile(rows.max(axis: 1), LOUD), 1e-9].max).clip(0, 1)[true, (LOWEST - Harmony::NoteActivation::LOWEST)..].dup
          repeats(scene).filter_map do |section, earlier|
            pairs = earlier.map { |other| moved(rows, scene, other, section) }
            semitones = [12, -12].find { |shift| pairs.all? { |pair| pair && pair[shift] > ALIKE && pair[shift] - pair[:others] > BETTER } }
            semitones && mix_sighting(scene, section, semitones, pairs.sum { |pair| pair[semitones] } / pairs.size)
          end
        end
        private_class_method :in_mix

        # Likeness of lost and new notes for each shift; nil when too little is lost or new.
        def self.moved(rows, scene, before, here)
          one, other = [before, here].map { |section| scene.grid.half_beats_of(section).to_a }
          count = [one.size, other.size].min
          was, is = [one, other].map { |halves| rows[halves.first(count), true] }
          new = (is - was).clip(0, nil)
          lost = (was - is).clip(0, nil)
          return nil if [new, lost].any? { |part| part.sum < MOVED * was.sum }

          [12, -12].to_h { |shift| [shift, likeness(new, shifted(lost, shift))] }.merge(others: OTHERS.map { |shift| likeness(new, shifted(lost, shift)) }.max)
        end
        private_class_method :moved

        def self.shifted(rows, by)
          out = Numo::DFloat.zeros(*rows.shape)
          by.positive? ? out[true, by..] = rows[true, 0...-by] : out[true, 0...by] = rows[true, -by..]
          out
        end
        private_class_method :shifted

        def self.likeness(one, other) = (one * other).sum / Math.sqrt(((one**2).sum * (other**2).sum) + 1e-9)
        private_class_method :likeness

        def self.mix_sighting(scene, section, semitones, likeness)
          scene.sighting(KIND, section.bar_range, confidence: likeness, detail: { semitones: },
            evidence: scene.evidence("likeness of lost and new notes an octave apart", [likeness], unit: "of 1", threshold: ALIKE, first_bar: section.first_bar,
              step: section.bars))
        end
        private_class_method :mix_sighting
      end
    end
  end
end
