# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # Another way to count: a tempo with a meter, its odds, how the tempo relates to the first choice, and why.
    CountAlternative = Value.of(:bpm, :meter, :odds, :relation, :reason)
    # Bar 1 so many beats later (earlier where negative), with its odds.
    BarLineAlternative = Value.of(:beats, :odds)

    # The other ways to count a song that its hypotheses hold: tempo and meter as pairs, since neither makes sense without
    # the other, and the bar lines of the chosen pair moved by whole and half beats. The method is our own.
    class CountAlternatives
      # Odds below this are not worth a line.
      WORTH_NAMING = 0.01
      MOST = 6
      # Two periods this near are one.
      SAME = 0.02

      # @param weighed [Array<BarModel::Weighed>] best first, odds adding up to one
      # @param best [BarHypothesis] the one that is chosen
      # @param bpm [Float] of that
      def initialize(weighed, best, bpm)
        @weighed = weighed
        @best = best
        @bpm = bpm
      end

      # @return [Array<CountAlternative>] the chosen pair first, then the likeliest others
      def pairs
        groups = @weighed.group_by { |one| [(one.hypothesis.period / @best.period).round(2), one.hypothesis.meter.name] }
        chosen, others = groups.values.map { |group| pair(group) }.partition { |one| chosen?(one) }
        chosen + others.select { |one| one.odds >= WORTH_NAMING }.sort_by { |one| -one.odds }.first(MOST)
      end

      # @return [Array<BarLineAlternative>] whole and half beats within half a bar, likeliest first
      def bar_lines
        same = @weighed.map { |one| [one, shift(one.hypothesis)] }.select(&:last)
        found = same.group_by(&:last).reject { |beats, _| beats.zero? }
        found.map { |beats, group| BarLineAlternative.new(beats:, odds: group.sum { |one, _| one.odds }.round(3)) }
             .select { |one| one.odds >= WORTH_NAMING }.sort_by { |one| -one.odds }
      end

      private

      def pair(group)
        first = group.first.hypothesis
        ratio = @best.period / first.period
        relation = BeatFinder::RELATIONS.min_by { |value, _| Math.log2(value / ratio).abs }.last
        reason = relation == "chosen" ? other_meter(first) : TempoReasons.of(relation, @best, first)
        CountAlternative.new(bpm: (@bpm * ratio).round(2), meter: first.meter.name, odds: group.sum(&:odds).round(3), relation:, reason:)
      end

      def other_meter(first) = first.meter == @best.meter ? "the pulse chosen" : "bars of #{first.meter.beats} beats repeat nearly as well"

      def chosen?(pair) = pair.relation == "chosen" && pair.meter == @best.meter.name

      # Half beats from the chosen bar line to this one, nil where tempo or meter are others.
      def shift(hypothesis)
        return nil unless hypothesis.meter == @best.meter && ((hypothesis.period / @best.period) - 1).abs < SAME

        beats = (((hypothesis.first_downbeat - @best.first_downbeat) / @best.period) * 2).round / 2.0
        within = beats % @best.meter.beats
        within > @best.meter.beats / 2.0 ? within - @best.meter.beats : within
      end
    end
  end
end
