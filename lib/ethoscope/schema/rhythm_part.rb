# frozen_string_literal: true

module Ethoscope
  class Schema
    # Tempo, meter, beats, groove and drum steps.
    class RhythmPart
      # @param findings [Engine::Findings]
      # @param confidence [Engine::Confidence]
      def initialize(findings, confidence)
        @found = findings
        @confidence = confidence
      end

      # @return [Hash]
      def to_h
        { tempo:, tempo_map:, parts:, meter: grid.meter.name, meters:, meter_confidence:, counts:, bar_lines:,
          downbeat_confidence: rhythm ? @confidence.of(:downbeats, rhythm.grid_confidence) : 0.0,
          beats: grid.beats, downbeats: grid.downbeats, pickup_beats: grid.pickup, end: grid.bar_edges.last, groove:, drums: @found.playing.patterns }
      end

      private

      def rhythm = @found.count.rhythm

      def grid = @found.grid

      # Never surer than the tempo that it stands on.
      def meter_confidence = rhythm ? [@confidence.of(:meter, rhythm.meters.first.odds), tempo_confidence].min : 0.0

      def tempo_confidence = rhythm ? @confidence.of(:tempo, rhythm.confidence) : 0.0

      # Likelihoods of one question add up to one at most.
      def beside(confidence, others) = @confidence.beside(confidence, others)

      def meters
        return [] unless rhythm

        first, *rest = rhythm.meters
        [Rhythm::MeterCandidate.new(name: first.name, odds: meter_confidence), *beside(meter_confidence, rest)]
      end

      # Tempo and meter as pairs, the chosen one first.
      def counts
        return [] unless rhythm

        first, *rest = rhythm.counts
        sure = [tempo_confidence, meter_confidence].min
        [Rhythm::CountAlternative.new(**first.to_h, odds: sure), *beside(sure, rest)]
      end

      def bar_lines = rhythm ? beside(@confidence.of(:downbeats, rhythm.grid_confidence), rhythm.bar_lines) : []

      def tempo
        return { bpm: nil, constant: false, confidence: 0.0, candidates: [], pulse: [], residuals: [], drift_ms: nil, better: nil } unless rhythm

        { bpm: rhythm.bpm, constant: rhythm.constant, confidence: tempo_confidence, candidates: tempo_candidates, pulse: rhythm.pulse,
          residuals: residuals.by_bar, drift_ms: residuals.drift, better: rhythm.constant ? residuals.better(rhythm.bpm) : nil }
      end

      def tempo_candidates
        first, *rest = rhythm.candidates
        [Rhythm::TempoCandidate.new(**first.to_h, odds: tempo_confidence), *beside(tempo_confidence, rest)]
      end

      def residuals = @residuals ||= Rhythm::Residuals.new(@found.features.onset, grid)

      def tempo_map
        return [] unless rhythm
        return [{ bar: 1, time: grid.bar_edges.first, bpm: rhythm.bpm }] if rhythm.constant

        grid.bar_tempos.each_with_index.map { |bpm, bar| { bar: bar + 1, time: grid.bar_edges[bar], bpm: } }
      end

      # Runs of bars with a tempo of their own, with the keys that hold in them and how loud they are.
      def parts
        found = rhythm && !rhythm.constant ? Rhythm::TempoParts.of(grid.bar_tempos) : []
        energy = @found.count.hearing.energy
        found.map do |part|
          bars = (part.first_bar - 1)..(part.last_bar - 1)
          keys = @found.parts.keys.stretches.select { |stretch| stretch.first_bar <= part.last_bar && stretch.last_bar >= part.first_bar }.map(&:key)
          { **part.to_h, keys: (keys.empty? ? [@found.key] : keys).uniq.map do |key|
            { tonic: key.tonic, mode: key.mode }
          end, energy: (energy[bars].sum / energy[bars].size).round(1) }
        end
      end

      def groove
        swing = rhythm&.swing
        { swing_ratio: swing&.ratio || 0.5, swing_unit: swing&.unit || "8th", confidence: swing&.confidence || 0.0,
          timing: @found.playing.timings, feel: Rhythm::MicroTiming.feel(@found.playing.timings) }
      end
    end
  end
end
