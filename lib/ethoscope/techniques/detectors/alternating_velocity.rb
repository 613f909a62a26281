# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # A shaker or hat that plays hard and soft in turn: on the mix in sixteenths, where the soft ones stand between the beats' halves.
      # How it is recognised is our own.
      module AlternatingVelocity
        KIND = "alternating_velocity"
        # How sure a sighting is by its source, by judgement; notes and stems leave less doubt.
        SURE = { "mix" => 0.7 }.freeze
        SURE_BESIDE = 0.95
        # Strokes that lie closer, in beats, are sixteenths.
        SIXTEENTH = 0.35
        # Nothing is softer than -40 dB.
        SOFTEST = 0.01
        ROLES = %w[percussion hats].freeze
        AIR = (5000.0..11_000.0)
        # On the mix: how far the hard ones may differ, how far under them the soft ones lie, and how clearly all begin, in dB.
        EVEN_DB = 4.0
        SOFT_DB = (-18.0..-7.0)
        BEGINS_DB = 8.0
        # Of a part's own strokes: soft against hard, in velocity and in level, and the share of strokes that follow the turn.
        SOFTER = { "midi" => 0.62, "stem" => 0.45 }.freeze
        KEPT = 0.8

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          told = scene.told.select { |player| ROLES.include?(player.role) }
          return told.flat_map { |player| runs(scene, player.source) { |section| in_part(scene, player, section) } } if told.any?
          return [] unless scene.features && scene.steps&.per_beat == 4

          peaks, before = levels(scene)
          runs(scene, "mix") { |section| in_mix(scene, section, peaks, before) }
        end

        # Neighbouring sections that alternate, as one sighting each.
        def self.runs(scene, source)
          found = scene.sections.filter_map { |section| yield(section)&.then { |detail| [section, detail] } }
          scene.joined(found).map do |run|
            detail, levels = run.first.last
            bars = scene.bars_of(run)
            scene.sighting(KIND, bars, confidence: SURE.fetch(source, SURE_BESIDE), source:, detail:,
              evidence: scene.evidence("mean level of neighbouring strokes", levels, unit: "dB", threshold: SOFT_DB.end, first_bar: bars.begin, step: 0.25 / scene.bar_beats))
          end
        end
        private_class_method :runs

        # Level just after each step, and just before it.
        def self.levels(scene)
          level = scene.features.short.level(AIR)
          at = scene.steps.times.flatten * scene.features.short.rate
          [Signal::Series.sample(Signal::Series.running_max(level, 2), at + 1), Signal::Series.sample(level, at - 3)].map { |curve| curve.reshape(*scene.steps.times.shape) }
        end
        private_class_method :levels

        def self.in_mix(scene, section, peaks, before)
          after, ahead = [peaks, before].map { |rows| places(rows[scene.bars_in(section), true]) }
          top = [after.max, 1e-9].max
          db = after.map { |value| 20 * Math.log10((value / top) + 1e-3) }
          rise = after.zip(ahead).map { |now, then_| 20 * Math.log10((now + 1e-6) / (then_ + 1e-6)) }
          soft = db.values_at(1, 3)
          return nil unless (db[0] - db[2]).abs < EVEN_DB && (soft[0] - soft[1]).abs < EVEN_DB && soft.all? { |value| SOFT_DB.cover?(value) }
          return nil unless rise.values_at(0, 2).min > BEGINS_DB && rise[1] + rise[3] > 1

          [{ unit: "16th", softer_db: (soft.sum / 2).abs.round(1) }, db]
        end
        private_class_method :in_mix

        # Middle level on each step of the beat.
        def self.places(rows)
          middles = (0...rows.shape[1]).map { |step| Signal::Series.percentile(rows[true, step].dup, 0.5) }
          middles.each_slice(4).to_a.transpose.map { |same| same.sum / same.size }
        end
        private_class_method :places

        def self.in_part(scene, player, section)
          events = player.within(scene.beats_in(section))
          return nil if events.size < section.bars * 4

          unit = unit(events)
          soft, hard = events.partition { |event| (event.beat / unit).round.odd? }.map { |list| list.map(&:velocity).sort }
          return nil if hard.empty? || soft.empty?

          loud, quiet = [hard, soft].map { |list| Signal::Middle.of(list) }
          return nil unless quiet < loud * SOFTER.fetch(player.source) && in_turn(hard, soft, (loud + quiet) / 2) >= KEPT

          [{ unit: unit < SIXTEENTH ? "16th" : "8th", softer_db: decibels(quiet, loud).abs.round(1) }, events.first(16).map { |event| decibels(event.velocity, loud) }]
        end
        private_class_method :in_part

        def self.decibels(one, other) = 20 * Math.log10([one, SOFTEST].max / other)
        private_class_method :decibels

        # Beats between most strokes.
        def self.unit(events) = events.each_cons(2).map { |a, b| b.beat - a.beat }.then { |gaps| Signal::Middle.of(gaps) }
        private_class_method :unit

        # Share of strokes on the right side of the middle between hard and soft.
        def self.in_turn(hard, soft, between)
          (hard.count { |value| value > between } + soft.count { |value| value < between }) / (hard.size + soft.size).to_f
        end
        private_class_method :in_turn
      end
    end
  end
end
