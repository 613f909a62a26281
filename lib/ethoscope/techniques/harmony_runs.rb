# frozen_string_literal: true

module Ethoscope
  module Techniques
    # The chords of a scene one after another, and how much of a bar they hold. The method is our own.
    module HarmonyRuns
      # A chord and how long it stays: its first beat since the start of bar 1, and beats.
      Run = Value.of(:chord, :beat, :beats)

      # @param scene [Scene]
      # @return [Array<Run>] silence left out, one chord at a time
      def self.of(scene)
        spans = scene.spans.reject { |span| span.chord.none? }
        spans.chunk_while { |a, b| a.chord == b.chord && a.last == b.first }.map do |same|
          beat = (same.first.first / 2.0) - scene.grid.pickup
          Run.new(chord: same.first.chord, beat:, beats: (same.last.last - same.first.first) / 2.0)
        end
      end

      # @param scene [Scene]
      # @param row [Array] runs one after another
      # @param key [Harmony::Key]
      # @return [Evidence] how far each root lies over the tonic
      def self.roots(scene, row, key)
        bars = bars(scene, row)
        scene.evidence("root over the tonic", row.map { |run| (run.chord.root - key.pitch_class) % 12 }, unit: "semitones", first_bar: bars.begin, step: bars.size / row.size.to_f)
      end

      # @param scene [Scene]
      # @param runs [Array<Run>]
      # @return [Range<Integer>] bars from the first to the last of them
      def self.bars(scene, runs)
        first, last = runs.minmax_by(&:beat)
        [(first.beat / scene.bar_beats).floor + 1, 1].max..[((last.beat + last.beats - 0.01) / scene.bar_beats).floor + 1, scene.grid.bars].min
      end

      # @param scene [Scene]
      # @param bar [Integer] from 1
      # @yieldparam chord [Harmony::Chord]
      # @return [Float] share of the bar held by chords for which the block is true
      def self.share(scene, bar)
        first = 2 * (scene.grid.pickup + ((bar - 1) * scene.bar_beats))
        last = first + (2 * scene.bar_beats)
        held = scene.spans.sum { |span| span.chord.any? && yield(span.chord) ? ([span.last, last].min - [span.first, first].max).clamp(0, nil) : 0 }
        held / (last - first).to_f
      end
    end
  end
end
