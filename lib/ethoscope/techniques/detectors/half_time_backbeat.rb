# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # The snare strikes once a bar, on its middle beat. How it is recognised is our own.
      module HalfTimeBackbeat
        KIND = "half_time_backbeat"
        # How sure a sighting is, by judgement: in a mix, and by a stem or notes.
        SURE_MIX = 0.7
        SURE_BESIDE = 0.95
        USUAL = 0.7
        RARE = 0.2

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          snare = scene.player("snare")
          return [] unless snare && scene.grid.meter.name == "4/4"

          found = scene.sections.select { |section| half_time?(shares(scene, snare, section)) }
          found.slice_when { |a, b| b.first_bar != a.last_bar + 1 }.map do |run|
            bars = run.first.first_bar..run.last.last_bar
            counts = bars.map { |bar| snare.within(((bar - 1) * 4)...(bar * 4)).size }
            scene.sighting(KIND, bars, confidence: snare.source == "mix" ? SURE_MIX : SURE_BESIDE, source: snare.source,
              evidence: scene.evidence("snare strokes in each bar", counts, unit: "strokes", threshold: 1, first_bar: bars.begin))
          end
        end

        # Share of bars with a snare on each of the four beats.
        def self.shares(scene, snare, section)
          beats = snare.within(scene.beats_in(section)).map { |event| event.beat.round }.uniq.map { |beat| beat % 4 }.tally
          (0..3).map { |beat| beats.fetch(beat, 0) / section.bars.to_f }
        end
        private_class_method :shares

        def self.half_time?(shares) = shares[2] >= USUAL && shares.values_at(1, 3).max <= RARE
        private_class_method :half_time?
      end
    end
  end
end
