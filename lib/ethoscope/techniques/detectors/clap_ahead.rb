# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # Two parts share the backbeat, a clap and a snare, and the clap starts a few milliseconds earlier. How it is recognised is our own.
      module ClapAhead
        KIND = "clap_ahead"
        # It is ahead nearly every time.
        ALWAYS = 0.8
        # How sure a sighting is, by judgement: what else it could be is rarer than that.
        SURE = 0.9
        CLAP = /clap/i
        # What counts as one stroke, and the least and the most that it may be ahead, in ms.
        SAME_MS = 60
        AHEAD_MS = (4.0..40.0)
        FEWEST = 6
        SHARED = 0.6

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          backbeat = scene.told.select { |player| player.role == "snare" }
          clap = backbeat.find { |player| player.name.match?(CLAP) }
          snare = (backbeat - [clap]).first
          return [] unless clap && snare

          ahead = distances(scene, clap, snare)
          return [] if ahead.size < [FEWEST, SHARED * clap.events.size].max

          middle = Signal::Middle.of(ahead)
          always = ahead.count(&:positive?) >= ALWAYS * ahead.size
          AHEAD_MS.cover?(middle) && always ? [sighting(scene, clap, ahead, middle)] : []
        end

        def self.sighting(scene, clap, ahead, middle)
          bars = scene.bar_of(clap.events.first.beat)..scene.bar_of(clap.events.last.beat)
          scene.sighting(KIND, bars, confidence: SURE, source: clap.source, detail: { ms: middle.round },
            evidence: scene.evidence("how far each clap is ahead of the snare", ahead, unit: "ms", threshold: AHEAD_MS.begin, first_bar: bars.begin,
              step: bars.size / ahead.size.to_f))
        end
        private_class_method :sighting

        # How far each clap is ahead of the snare that it shares a beat with, in ms.
        def self.distances(scene, clap, snare)
          beat_ms = 60_000.0 / scene.grid.bar_tempos.sort[scene.grid.bars / 2]
          apart = clap.events.map { |event| snare.events.map { |other| (other.beat - event.beat) * beat_ms }.min_by(&:abs) }
          apart.compact.select { |ms| ms.abs <= SAME_MS }
        end
        private_class_method :distances
      end
    end
  end
end
