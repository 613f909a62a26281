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
        # Deviations that the mean of two neighbouring blocks must reach; what the second echo weighs.
        CLEAR = 4.6
        SECOND = 1.5
        # Both echoes on one side speak against it.
        SAME_SIDE = -0.5

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          return [] if scene.features.nil? || scene.features.echoes.curves.empty?

          quarter = scene.grid.quarter_seconds
          curves = Rhythm::NoteValue::QUARTERS.to_h { |name, quarters| [name, curve(scene.features.echoes, quarters * quarter, name)] }.compact
          found = curves.transform_values { |values| runs(values) }.reject { |_, runs| runs.empty? }
          name, runs = found.max_by { |unit, list| list.sum { |run| run.sum { |block| curves[unit][block] } } }
          name ? runs.map { |run| sighting(scene, name, curves[name], run, Rhythm::NoteValue::QUARTERS[name] * quarter) } : []
        end

        # For each block how far both echoes stand out on opposite sides.
        def self.curve(echoes, lag, name)
          once = echoes.at(lag)
          twice = echoes.at(2 * lag)
          return nil if once.empty? || twice.empty?

          once.zip(twice).map do |first, second|
            if (first * second).negative?
              [first.abs, second.abs * SECOND].min / (name == "quarter" ? QUARTER : 1)
            else
              [first.abs, second.abs].min * SAME_SIDE
            end
          end
        end
        private_class_method :curve

        # Runs of blocks that are clear together with a neighbour; one block between may be unclear.
        def self.runs(values)
          smooth = values.each_index.map { |i| [[i - 1, 0].max..i, i..(i + 1)].map { |part| values[part].then { |list| list.size > 1 ? list.sum / 2.0 : 0.0 } }.max }
          values.each_index.select { |i| smooth[i] > CLEAR }.slice_when { |a, b| b > a + 2 }.to_a
        end
        private_class_method :runs

        def self.sighting(scene, name, values, run, lag)
          echoes = scene.features.echoes
          from = run.first * echoes.block_seconds
          to = (run.last + 1) * echoes.block_seconds
          bars = scene.grid.bar_at(from)..[scene.grid.bar_at(to) - 1, scene.grid.bar_at(from)].max
          clear = run.sum { |block| values[block] } / run.size
          bar = echoes.block_seconds / ((scene.grid.bar_edges.last - scene.grid.bar_edges.first) / scene.grid.bars)
          scene.sighting(KIND, bars, confidence: SURE + (clear / 25), detail: { delay_ms: (lag * 1000).round, unit: name },
            evidence: scene.evidence("echo on alternate sides after #{(lag * 1000).round} ms", values, unit: "deviations", threshold: CLEAR, step: bar))
        end
        private_class_method :sighting
      end
    end
  end
end
