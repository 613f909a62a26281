# frozen_string_literal: true

module Ethoscope
  class Ensemble
    # How one layer plays against the grid: which pair it swings and how far, in milliseconds too; how late it comes on each step of the bar, and how much it
    # strays; whether hard and soft strokes take turns; how far the notes of a chord are spread. After Davies, Madison, Silva & Gouyon, "The effect of
    # microtiming deviations on the perception of groove" (Music Perception 2013).
    class LayerFeel
      # A step needs this many notes to have a mean, and a layer this many to have a feel.
      FEWEST = 4
      FEWEST_NOTES = 8
      # Notes that begin within so many seconds are one chord.
      CHORD_SECONDS = 0.06
      # Strokes take turns when hard and soft ones are this far apart, of 1.
      LADDER = 0.12

      # @param events [Array<Played>] in order
      # @param grid [Rhythm::BeatGrid]
      # @param steps [Rhythm::StepGrid]
      def initialize(events, grid, steps)
        @beat_seconds = grid.quarter_seconds * grid.meter.quarters_per_beat
        @chords = events.slice_when { |one, other| (other.beat - one.beat) * @beat_seconds > CHORD_SECONDS }.to_a
        @compound = grid.meter.compound
        @steps = steps
      end

      # @return [Hash, nil] unit, ratio and ms (of the off-beat after the straight one); late_ms by step (nil where too little is played); spread_ms;
      #   ladder (hard and soft, of 1; nil where strokes do not take turns); strum_ms (nil without chords). nil where hardly anything is played
      def to_h
        return nil if @chords.size < FEWEST_NOTES

        { unit: swing.unit, ratio: swing.ratio, ms: ((swing.ratio - 0.5) * span * @beat_seconds * 1000).round(1), late_ms: late.map { |mean| mean&.round(1) }, spread_ms:,
          ladder:, strum_ms: }
      end

      private

      def onsets = @onsets ||= @chords.map { |chord| chord.first.beat }

      def swing
        @swing ||= @compound ? Rhythm::Swing.straight : Rhythm::Swing.of([onsets.map { |beat| [beat, 1.0] }], beat: @beat_seconds)
      end

      def span = Rhythm::Swing::PAIRS.fetch(swing.unit)[:span]

      # Milliseconds after the straight step, by step of the bar.
      def by_step
        @by_step ||= onsets.group_by { |beat| (beat * @steps.per_beat).round % @steps.steps }
                           .transform_values { |beats| beats.map { |beat| (beat - ((beat * @steps.per_beat).round / @steps.per_beat.to_f)) * @beat_seconds * 1000 } }
      end

      def late = (0...@steps.steps).map { |step| mean(by_step[step]) }

      def mean(values) = values && values.size >= FEWEST ? values.sum / values.size : nil

      def spread_ms
        apart = by_step.values.select { |values| values.size >= FEWEST }.flat_map { |values| values.map { |value| value - mean(values) } }
        apart.empty? ? nil : Math.sqrt(apart.sum { |value| value**2 } / apart.size).round(1)
      end

      # Velocities of every other stroke.
      def ladder
        turns = @chords.map { |chord| chord.map(&:velocity).max }.partition.with_index { |_, i| i.even? }.map { |values| values.sum / values.size }
        (turns.first - turns.last).abs >= LADDER ? turns.minmax.reverse.map { |value| value.round(2) } : nil
      end

      def strum_ms
        spreads = @chords.select { |chord| chord.size > 1 }.map { |chord| (chord.last.beat - chord.first.beat) * @beat_seconds * 1000 }
        spreads.size < FEWEST ? nil : (spreads.sum / spreads.size).round(1)
      end
    end
  end
end
