# frozen_string_literal: true

module Ethoscope
  module Engine
    # The first half of an analysis: beats and bars, then which notes and chords sound in them. Each part is worked out when it
    # is first asked for. The method is our own.
    class Hearing
      # @return [Features]
      attr_reader :features

      # @param features [Features]
      # @param corrections [Corrections]
      # @param rhythm [Rhythm::Result, nil] where a better source tells it
      def initialize(features, corrections = Corrections.none, rhythm: nil)
        @features = features
        @corrections = corrections
        @rhythm = rhythm if rhythm
      end

      # @return [Range<Float>] seconds from the first to the last sound
      def sounding = @sounding ||= Rhythm::Sounding.range(features.short, features.onset)

      # @return [Rhythm::Result, nil] nil when nothing repeats
      def rhythm
        return @rhythm if defined?(@rhythm)

        @rhythm = Rhythm::BeatFinder.new(features.onset, features.clues, sounding, @corrections).result
      end

      # @return [Rhythm::BeatGrid] bars of two seconds when nothing repeats
      def grid = recount.grid

      # @return [Array<Corrections::TempoChange>] changes of tempo that the bars could not follow
      def unkept = recount.unkept

      # @return [Harmony::NoteActivation] over half beats
      def notes = @notes ||= Harmony::NoteActivation.of(features.spectra, grid.half_beat_edges)

      # @return [Harmony::ChordRecognizer]
      def recognizer = @recognizer ||= Harmony::ChordRecognizer.new(notes, grid.half_beat_positions)

      # @return [Array<Harmony::ChordRecognizer::Span>] chords as heard, bars that sound alike telling each other's
      def chords = recognizer.spans(Harmony::Recurrence.new(bar_features.harmony, 2 * grid.pickup, 2 * grid.meter.beats))

      # @return [Harmony::KeyEvidence]
      def key_evidence = @key_evidence ||= Harmony::KeyEvidence.new(recognizer.belief, notes, grid)

      # @return [Rhythm::StepGrid]
      def steps = @steps ||= Rhythm::StepGrid.new(grid, rhythm&.swing)

      # @return [Rhythm::DrumSteps]
      def drums = @drums ||= Rhythm::DrumSteps.of(features.short, steps)

      # @return [Form::BarFeatures]
      def bar_features = @bar_features ||= Form::BarFeatures.new(features.short, features.onset, recognizer.treble, grid)

      # @return [Array<Float>] loudness of each bar in LUFS
      def energy = @energy ||= Audio::Loudness.new(features.field).then { |loudness| per_bar { |from, to| loudness.between(from, to).round(1) } }

      # @return [Array<Float>] side share of each bar
      def side = @side ||= Audio::Width.new(features.field).then { |width| per_bar { |from, to| width.between(from, to).round(4) } }

      # @return [Form::BoundaryFeatures]
      def boundary_features = Form::BoundaryFeatures.new(bar_features, energy, side, drums)

      private

      def recount = @recount ||= Rhythm::Recount.of(rhythm ? rhythm.grid : Rhythm::BeatGrid.nominal(features.duration), @corrections.tempo_changes, @corrections.bar_lines)

      def per_bar(&) = grid.bar_edges.each_cons(2).map(&)
    end
  end
end
