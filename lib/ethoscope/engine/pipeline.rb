# frozen_string_literal: true

module Ethoscope
  module Engine
    # The stages of an analysis, each taking what the ones before it made. The method is our own.
    class Pipeline
      # Each stage with the share of the work that is done when it ends, as measured on songs of three minutes.
      STAGES = { level: 0.34, spectra: 0.68, rhythm: 0.8, chords: 0.84, form: 0.88, layers: 0.94, techniques: 1.0 }.freeze

      # @param features [Features]
      # @param corrections [Corrections] what a person has put right
      # @param sources [Sources] stems and a score, where there are any
      # @param confidence [Confidence]
      # @yieldparam stage [Symbol] see STAGES, from :rhythm on
      # @yieldparam share [Float] work done, 0 to 1
      def initialize(features, corrections = Corrections.none, sources: Sources.none, confidence: Confidence.shipped, &progress)
        @features = features
        @corrections = corrections
        @sources = sources
        @confidence = confidence
        @gaps = Gaps.new
        @progress = progress || ->(_stage, _share) {}
      end

      # @return [Analysis]
      def analysis = Analysis.new(Schema.new(findings, confidence: @confidence).to_h)

      private

      def findings
        count = stage(:rhythm) { CountStage.new(@features, @corrections, @sources, @gaps).result }
        chords = stage(:chords) { ChordStage.new(count, @gaps).result }
        parts = stage(:form) { FormStage.new(@features, count, chords, @corrections, @gaps).result }
        playing = stage(:layers) { LayerStage.new(@features, count, chords.spans, parts.sections, @gaps).result }
        sightings = stage(:techniques) { count.rhythm ? @gaps.beside("the techniques", []) { Techniques::Library.search(scene(count, chords, parts, playing), @gaps) } : [] }
        Findings.new(features: @features, count:, chords:, parts:, playing:, sightings:, **told(count.ensemble, parts.sections, count.grid), gaps: @gaps.list)
      end

      def stage(name) = yield.tap { @progress.call(name, STAGES.fetch(name)) }

      def scene(count, chords, parts, playing)
        hearing = count.hearing
        Techniques::Scene.new(grid: count.grid, sections: parts.sections, features: @features, key: parts.keys.key, stretches: parts.keys.stretches, spans: chords.spans,
          loop: parts.loop, notes: hearing.notes, layers: playing.layers, changes: playing.changes, width: hearing.side, energy: hearing.energy,
          drums: playing.drums, steps: count.steps, players: count.ensemble.players(drums: playing.drums, bass: playing.bass), constant: count.rhythm.nil? || count.rhythm.constant)
      end

      # What stems and the score say of themselves.
      def told(ensemble, sections, grid)
        { stems: @gaps.beside("what the stems sound like", []) { ensemble.stems(sections, energy(grid)) }, score: @gaps.beside("the parts of the MIDI file", nil) do
          ensemble.score(sections)
        end }
      end

      # Energy of the mix by bar, both channels.
      def energy(grid)
        power = (@features.field.left + @features.field.right).sum(axis: 1)
        grid.bar_edges.each_cons(2).map { |from, to| power[@features.field.frames(from, to)].mean }
      end
    end
  end
end
