# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # A delay whose echoes come left and right in turn: what is heard in the middle comes back on one side after a note value, and on the
      # other side after two ({Audio::Echoes}). How it is recognised is our own.
      module PingpongDelay
        KIND = "pingpong_delay"
        # How sure a sighting is, by judgement: what else it could be is rarer than that.
        SURE = 0.5
        # Drums repeat with the beat themselves, so that a quarter must show more.
        QUARTER = 1.6
        # Deviations that a section must reach (on records without truth less is reached by anything that moves from side to side); what the second echo weighs.
        CLEAR = 7.0
        SECOND = 1.5

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          return [] if scene.features.nil? || scene.features.echoes.curves.empty?

          by_unit = Rhythm::NoteValue::QUARTERS.to_h { |unit, quarters| [unit, scores(scene, quarters * scene.grid.quarter_seconds, unit)] }
          unit, scores = by_unit.max_by { |_, list| list.select { |score| score > CLEAR }.sum }
          found = scene.sections.zip(scores).select { |_, score| score > CLEAR }
          scene.joined(found).map { |run| sighting(scene, unit, run) }
        end

        # For each section how far both echoes stand out on opposite sides.
        def self.scores(scene, lag, unit)
          edges = scene.grid.bar_edges
          scene.sections.map do |section|
            first, second = [lag, 2 * lag].map { |time| scene.features.echoes.over(edges[section.first_bar - 1], edges[section.last_bar], time) }
            next 0.0 unless first && second && (first * second).negative?

            [first.abs, second.abs * SECOND].min / (unit == "quarter" ? QUARTER : 1)
          end
        end
        private_class_method :scores

        def self.sighting(scene, unit, run)
          lag = Rhythm::NoteValue::QUARTERS[unit] * scene.grid.quarter_seconds
          clear = run.sum(&:last) / run.size
          scene.sighting(KIND, scene.bars_of(run), confidence: SURE + (clear / 40), detail: { delay_ms: (lag * 1000).round, unit: },
            evidence: scene.evidence("echo on alternate sides after #{(lag * 1000).round} ms", run.flat_map { |section, score| [score] * section.bars }, unit: "deviations",
              threshold: CLEAR, first_bar: scene.bars_of(run).begin))
        end
        private_class_method :sighting
      end
    end
  end
end
