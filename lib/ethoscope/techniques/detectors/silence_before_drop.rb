# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # Everything stops for half a beat to a bar before a section. How it is recognised is our own.
      module SilenceBeforeDrop
        KIND = "silence_before_drop"
        # Hertz in which silence is silent.
        AUDIBLE = (30.0..11_000.0)
        # What rings over the joints is left out.
        MARGIN_SECONDS = [0.01, 0.02].freeze
        # How sure a sighting is, by judgement: what else it could be is rarer than that.
        SURE = 0.9
        # Under the section before and after, in dB; points of a beat.
        UNDER_DB = 30.0
        POINTS = 4
        LEAST = 2

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          scene.features ? scene.sections.each_cons(2).filter_map { |before, after| at_joint(scene, before, after) } : []
        end

        def self.at_joint(scene, before, after)
          joint = scene.beats_in(after).begin
          span = [scene.bar_beats * 2, joint].min
          levels = course(scene, (joint - span)...joint)
          usual = Signal::Middle.of(course(scene, scene.beats_in(before)))
          back = course(scene, joint...[joint + 1, scene.grid.edges.size - scene.grid.pickup - 1].min).max || -90
          silent = levels.reverse.take_while { |level| level < usual - UNDER_DB }.size
          return nil unless silent >= LEAST && silent < levels.size && back > usual - 10

          scene.sighting(KIND, before.last_bar..before.last_bar, confidence: SURE, detail: { beats: silent / POINTS.to_f },
            evidence: scene.evidence("level", levels, unit: "dB", threshold: usual - UNDER_DB, first_bar: [before.last_bar - 1, 1].max, step: 1.0 / (POINTS * scene.bar_beats)))
        end
        private_class_method :at_joint

        def self.course(scene, beats)
          short = scene.features.short
          level = short.level(AUDIBLE)
          edges = scene.grid.edges[scene.grid.pickup..]
          beats.flat_map do |beat|
            (0...POINTS).map do |i|
              from = edges[beat] + ((edges[beat + 1] - edges[beat]) * i / POINTS)
              to = edges[beat] + ((edges[beat + 1] - edges[beat]) * (i + 1) / POINTS)
              20 * Math.log10([level[Signal::Series.frames(from + MARGIN_SECONDS.first, to - MARGIN_SECONDS.last, short.rate, short.size)].mean, 1e-5].max)
            end
          end
        end
        private_class_method :course
      end
    end
  end
end
