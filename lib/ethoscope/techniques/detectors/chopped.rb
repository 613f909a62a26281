# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # A part whose level breaks off and starts anew at equal distances of beats, all through a section: from stems, where it is not covered.
      # How it is recognised is our own.
      module Chopped
        KIND = "chopped"
        # Hertz in which a chopped sound is heard, above bass and kick.
        AUDIBLE = (120.0..8000.0)
        # Seconds from a cut at which the level is read: before it, in the gap, and after it.
        BEFORE = 0.12
        GAP = [0.03, 0.018].freeze
        AFTER = [0.03, 0.06].freeze
        # Cuts on this share of the beats are a habit.
        MOST = 0.6
        # How sure a sighting is, by judgement: what else it could be is rarer than that.
        SURE = 0.7
        ROLES = %w[chords vocal guitar strings texture pad lead].freeze
        EVERY = [1, 2, 4].freeze
        # How far the level falls just before a cut, in dB, at which share of the cuts, and hardly ever at other beats.
        BREAK_DB = 6.0
        KEPT = 0.8
        ELSEWHERE = 0.25
        HELD_DB = -20.0

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          scene.players.filter_map(&:sound).uniq.select { |sound| ROLES.include?(sound.role) }.flat_map do |sound|
            breaks = breaks(sound)
            scene.sections.filter_map { |section| in_section(scene, sound, breaks, section) }
          end
        end

        # For each beat line how far the sound jumps there, out of a dip, in dB; nil where it rests.
        def self.breaks(sound)
          short = sound.features.short
          level = short.level(AUDIBLE)
          db = Numo::NMath.log10((level / [level.max, 1e-9].max) + 1e-4) * 20
          at = ->(seconds) { db[(seconds * short.rate).round.clamp(0, db.size - 1)] }
          sound.grid.edges[sound.grid.pickup..].map do |edge|
            before = at.call(edge - BEFORE)
            gap = GAP.map { |back| at.call(edge - back) }.min
            after = AFTER.map { |on| at.call(edge + on) }.max
            [before, after].min < HELD_DB ? nil : [[before, after].min - gap, 0].max
          end
        end
        private_class_method :breaks

        def self.in_section(scene, sound, breaks, section)
          beats = scene.beats_in(section).to_a.select { |beat| breaks[beat] }
          return nil if beats.size < section.bars * scene.bar_beats * MOST

          every = EVERY.reverse.find { |distance| cut?(breaks, beats, distance) } or return nil
          beat_ms = (section.end - section.start) * 1000 / (section.bars * scene.bar_beats)
          scene.sighting(KIND, section.bar_range, confidence: SURE, source: "stem", detail: { beats: every, slice_ms: (every * beat_ms).round, part: sound.stem.name },
            evidence: scene.evidence("break of the sound at each beat", scene.beats_in(section).map { |beat| breaks[beat] }, unit: "dB", threshold: BREAK_DB,
              first_bar: section.first_bar, step: 1.0 / scene.bar_beats))
        end
        private_class_method :in_section

        def self.cut?(breaks, beats, distance)
          on, off = beats.partition { |beat| (beat % distance).zero? }
          on.size >= 4 && on.count { |beat| breaks[beat] >= BREAK_DB } >= KEPT * on.size && (off.empty? || off.count { |beat| breaks[beat] >= BREAK_DB } <= ELSEWHERE * off.size)
        end
        private_class_method :cut?
      end
    end
  end
end
