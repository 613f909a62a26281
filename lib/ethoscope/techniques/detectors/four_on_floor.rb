# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # The kick falls on every beat through a section and leaves the off-beats alone. How it is recognised is our own.
      module FourOnFloor
        KIND = "four_on_floor"
        # How sure a sighting is, by judgement: in a mix the surer the more bars hold it.
        SURE_MIX = (0.6..0.9)
        SURE_BESIDE = 0.95
        # Shares of bars with a kick on the rarest and on the mean beat, and between beats.
        RAREST = 0.35
        USUAL = 0.58
        RARE = 0.35
        # Kicks on all beats are about equally loud in their body, in dB: a bass note under a snare is not. A kick without a body is
        # read an octave lower, where that is so much louder.
        ALIKE_DB = 3.2
        BODY = (75.0..130.0)
        LOW = (35.0..75.0)
        BODILESS_DB = 6.0

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          kick = scene.player("kick")
          return [] if kick.nil? || scene.grid.meter.compound || scene.bar_beats < 3

          found = scene.sections.select { |section| every_beat?(scene, kick, section) }
          runs = found.slice_when { |a, b| b.first_bar != a.last_bar + 1 }
          found.empty? ? [] : runs.map { |run| sighting(scene, kick, run) }
        end

        def self.every_beat?(scene, kick, section)
          on, between = shares(scene, kick, section)
          return false if on.min < RAREST || on.sum / on.size < USUAL || between.sum / between.size > RARE

          kick.source != "mix" || scene.features.nil? || alike?(scene, section)
        end
        private_class_method :every_beat?

        # For each beat of the bar, the share of bars with a kick on it, and halfway to the next one.
        def self.shares(scene, kick, section)
          places = kick.within(scene.beats_in(section)).map { |event| (event.beat * 4).round % (scene.bar_beats * 4) }.tally
          share = ->(place) { [places.fetch(place, 0) / section.bars.to_f, 1.0].min }
          [0, 2].map { |shift| (0...scene.bar_beats).map { |beat| share.call((beat * 4) + shift) } }
        end
        private_class_method :shares

        def self.alike?(scene, section)
          body, low = [BODY, LOW].map { |range| beat_levels(scene, section, range) }
          levels = low.sum > body.sum + (BODILESS_DB * body.size) ? low : body
          levels.max - levels.min < ALIKE_DB
        end
        private_class_method :alike?

        # In a mix the surer the more of its bars hold every beat.
        def self.sure(kick, full, bars) = kick.source == "mix" ? SURE_MIX.begin + ((SURE_MIX.end - SURE_MIX.begin) * full / bars) : SURE_BESIDE
        private_class_method :sure

        # Middle level just after each beat of the bar, in dB.
        def self.beat_levels(scene, section, range)
          short = scene.features.short
          level = Signal::Series.running_max(short.level(range), 4)
          edges = scene.grid.edges[scene.grid.pickup..]
          scene.beats_in(section).group_by { |beat| beat % scene.bar_beats }.values.map do |same|
            heights = same.map { |beat| level[((edges[beat] * short.rate).round + 2).clamp(0, level.size - 1)] }
            20 * Math.log10([Signal::Middle.of(heights), 1e-9].max)
          end
        end
        private_class_method :beat_levels

        def self.sighting(scene, kick, run)
          bars = run.first.first_bar..run.last.last_bar
          counts = bars.map { |bar| kick.within(scene.beats_of(bar)).size }
          scene.sighting(KIND, bars, confidence: sure(kick, counts.count(scene.bar_beats), counts.size), source: kick.source,
            detail: { kicks: (counts.sum / counts.size.to_f).round(1) },
            evidence: scene.evidence("kicks in each bar", counts, unit: "kicks", threshold: scene.bar_beats, first_bar: bars.begin))
        end
        private_class_method :sighting
      end
    end
  end
end
