# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # Below the bass a tone falls through the first bars of a section. How it is recognised is our own.
      module FallingSub
        KIND = "falling_sub"
        # A falling tone may rise by this ratio for a moment.
        WAVER = 1.01
        # Beats are rounded.
        ROUNDING = 0.01
        # How sure a sighting is, by judgement: what else it could be is rarer than that.
        SURE = 0.75
        LOW = (30.0..140.0)
        # How far it must fall, in octaves, within how many beats, how steadily, and how much of the low end it is.
        FALLS = 0.5
        BEATS = (2..8)
        STEADY = 0.8
        PURE = 0.6

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          tracks = [scene.features, *scene.players.filter_map(&:sound).uniq.select { |sound| sound.role == "fx" }]
          scene.sections.drop(1).filter_map { |section| tracks.compact.reverse.filter_map { |track| at_start(scene, track, section) }.first }
        end

        def self.at_start(scene, track, section)
          features, offset = track.respond_to?(:stem) ? [track.features, track.stem.offset] : [track, 0.0]
          edges = scene.grid.edges[scene.grid.pickup..]
          first = scene.beats_in(section).begin
          points = edges[first..(first + BEATS.end)].each_cons(2).flat_map { |from, to| (0...4).map { |i| from + ((to - from) * (i + 0.5) / 4) } }
          course = points.map { |time| centre(features, time - offset) }
          length = falling(course)
          length >= BEATS.begin * 4 ? sighting(scene, section, course, length, track) : nil
        end
        private_class_method :at_start

        # Frequency of the strongest low band in Hz when it stands clear of the others, else nil.
        def self.centre(features, time)
          bands = features.short.bands_in(LOW)
          row = features.short.bands[(time * features.short.rate).round.clamp(0, features.short.size - 1), bands]
          weights = row**2
          top = weights.max_index
          near = weights[[top - 1, 0].max..[top + 1, weights.size - 1].min].sum
          return nil unless row.max > 1e-3 && near > PURE * weights.sum

          around = ([top - 1, 0].max..[top + 1, weights.size - 1].min).to_a
          around.sum { |band| features.short.centres[bands[band]] * weights[band] } / near
        end
        private_class_method :centre

        # Points from the first on over which it falls far and steadily; 0 when it does not.
        def self.falling(course)
          run = course.take_while { |value| value }
          return 0 if run.size < BEATS.begin * 4

          low = run.each_index.min_by { |i| run[i] }
          steps = run[0..low].each_cons(2).to_a
          falls = Math.log2(run.first / run[low]) >= FALLS && steps.count { |a, b| b <= a * WAVER } >= STEADY * steps.size
          falls ? low + 1 : 0
        end
        private_class_method :falling

        def self.sighting(scene, section, course, length, track)
          beats = (length / 4.0).round(1)
          bars = section.first_bar..[section.first_bar + ((beats - ROUNDING) / scene.bar_beats).floor, section.last_bar].min
          semitones = (12 * Math.log2(course.first / course[length - 1])).round
          scene.sighting(KIND, bars, confidence: SURE, source: track.respond_to?(:stem) ? "stem" : "mix", detail: { beats:, semitones: },
            evidence: scene.evidence("frequency of the low tone", course, unit: "Hz", first_bar: section.first_bar, step: 0.25 / scene.bar_beats))
        end
        private_class_method :sighting
      end
    end
  end
end
