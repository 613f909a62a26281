# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # Held sounds dip with every beat and come back before the next one: level that jumps belongs to a new stroke, level that swells back
      # to a compressor or a drawn curve. How it is recognised is our own.
      module Pumping
        KIND = "pumping"
        # How sure a sighting is on a stem, and at the least in a mix, by judgement.
        SURE_STEM = 0.9
        SURE_MIX = 0.6
        # What is reached in a tenth of the time is loud.
        LOUD = 0.9
        # Points of a beat.
        POINTS = 24
        HELD = (120.0..3000.0)
        # Points at which the dip is read, and those at the end of the beat.
        DIP = (2..5)
        ENDS = (20..22)
        CLIMB = (5..20)
        # A dip is deeper than this many dB, and no step of the way back is more than half of it.
        DEEPER_DB = 1.0
        RISE_DB = 1.5
        STEP = 0.5
        AUDIBLE_DB = -35.0
        # Share of the held sound that dips so on the middle beat and on the mean one.
        MIDDLE_BEAT = 0.1
        MEAN_BEAT = 0.12
        # Stems that are held long enough to be ducked.
        ROLES = %w[bass chords pad strings guitar lead texture brass].freeze

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          sounds = scene.players.filter_map(&:sound).select { |sound| ROLES.include?(sound.role) }
          return in_stems(scene, sounds) if sounds.any?

          scene.features ? in_mix(scene) : []
        end

        def self.in_stems(scene, sounds)
          found = scene.sections.filter_map do |section|
            ducked = sounds.filter_map { |sound| sound.breathing.pumping(scene.beats_in(section))&.merge(part: sound.stem.name) }
            [section, ducked.max_by { |one| one[:depth_db] }, ducked.map { |one| one[:part] }] if ducked.any?
          end
          scene.joined(found).map do |run|
            deepest = run.map { |entry| entry[1] }.max_by { |one| one[:depth_db] }
            scene.sighting(KIND, scene.bars_of(run), confidence: SURE_STEM, source: "stem",
              detail: { depth_db: deepest[:depth_db], rate: "quarter", parts: run.flat_map(&:last).uniq },
              evidence: scene.evidence("depth of the dip in #{deepest[:part]}", run.map { |entry| entry[1][:depth_db] }, unit: "dB", threshold: Stems::Breathing::DEPTH,
                first_bar: scene.bars_of(run).begin, step: run.first[0].bars))
          end
        end
        private_class_method :in_stems

        def self.in_mix(scene)
          shares, depths = dips(scene)
          found = scene.sections.filter_map do |section|
            here = shares[scene.beats_in(section)]
            next if here.empty? || here.mean < MEAN_BEAT || Signal::Series.percentile(here.dup, 0.5) < MIDDLE_BEAT

            [section, depths[scene.beats_in(section)].mean, here.mean]
          end
          scene.joined(found).map { |run| mix_sighting(scene, run, shares) }
        end
        private_class_method :in_mix

        def self.mix_sighting(scene, run, shares)
          by_bar = scene.bars_of(run).map { |bar| shares[scene.beats_of(bar)].mean }
          scene.sighting(KIND, scene.bars_of(run), confidence: SURE_MIX + (run.sum(&:last) / run.size), detail: { depth_db: (run.sum do |entry|
            entry[1]
          end / run.size).round(1), rate: "quarter" },
            evidence: scene.evidence("share of the held sound that dips with the beat", by_bar, unit: "of 1", threshold: MEAN_BEAT, first_bar: scene.bars_of(run).begin))
        end
        private_class_method :mix_sighting

        # For each beat since bar 1: which share of the held sound dips and swells back, and how deep in dB.
        def self.dips(scene)
          level = levels(scene)
          ends = level[true, ENDS, true].mean(axis: 1)
          before = ends.dup
          before[1.., true] = level[0...-1, ENDS, true].mean(axis: 1)
          low = level[true, DIP, true].mean(axis: 1)
          held = Numo::DFloat.minimum(before, ends)
          jump = (level[true, (CLIMB.begin + 1)..CLIMB.end, true] - level[true, CLIMB.begin...CLIMB.end, true]).max(axis: 1)
          swells = Numo::DFloat.cast((ends - low > RISE_DB) & (jump < (ends - low) * STEP) & (held - low > DEEPER_DB))
          weights = (10**(held / 20)) * Numo::DFloat.cast(held > AUDIBLE_DB)
          ducked = (weights * swells).sum(axis: 1)
          [ducked / weights.sum(axis: 1).clip(1e-3, nil), (weights * swells * (held - low)).sum(axis: 1) / ducked.clip(1e-3, nil)]
        end
        private_class_method :dips

        # Level in dB, shape [beats since bar 1, POINTS, bands].
        def self.levels(scene)
          db = decibels(scene.features.short)
          edges = scene.grid.edges[scene.grid.pickup..]
          at = Numo::DFloat[*edges.each_cons(2).flat_map { |from, to| (0...POINTS).map { |i| from + ((to - from) * (i + 0.5) / POINTS) } }] * scene.features.short.rate
          low = Numo::Int32.cast(at.floor).clip(0, db.shape[0] - 2)
          share = (at - low).reshape(at.size, 1)
          ((db[low, true] * (1 - share)) + (db[low + 1, true] * share)).reshape(edges.size - 1, POINTS, db.shape[1])
        end
        private_class_method :levels

        # Bands of held sounds under the song's loud moments.
        def self.decibels(short)
          bands = Numo::DFloat.cast(short.bands[true, short.bands_in(HELD)])
          Numo::NMath.log10((bands / [Signal::Series.percentile(bands.max(axis: 1), LOUD), 1e-9].max) + 1e-3) * 20
        end
        private_class_method :decibels
      end
    end
  end
end
