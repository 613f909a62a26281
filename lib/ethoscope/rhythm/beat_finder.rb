# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # A tempo that the recording could also be counted in, with its odds, how it relates to the first choice, and why. The method is our own.
    TempoCandidate = Value.of(:bpm, :odds, :relation, :reason)
    # A meter with its odds.
    MeterCandidate = Value.of(:name, :odds)
    # All that the rhythm stage says; pulse is [bpm, strength] along the tempo axis.
    Result = Value.of(:bpm, :constant, :confidence, :candidates, :meters, :grid, :grid_confidence, :swing, :pulse)

    # Knows what a person's change of tempo does to it.
    class Result
      # @return [Result] the same of a tempo that does not hold throughout
      def with_moving_tempo = Result.new(**to_h, constant: false)
    end

    # Tempo, meter, beats and bars of a recording. The method is our own.
    class BeatFinder
      RELATIONS = { 0.5 => "half", 2.0 => "double", 3.0 => "triple", 1.0 / 3 => "a third", 1.5 => "three to two", 2.0 / 3 => "two to three",
                    1.0 => "chosen" }.freeze
      # What sounds begins so much of a beat before its bar line, and ends so much after it, without making another bar.
      EARLY_BEATS = 0.12
      # A beat this far before anything sounds is none.
      BEFORE_BEATS = 0.3
      # Nor is one that lies so many seconds before the recording.
      BEFORE_SECONDS = 0.05
      # The clock is looked up so far before and after the recording.
      REACH_SECONDS = 5.0
      # Odds below this are not worth showing.
      WORTH_NAMING = 0.005
      # Rates at which the pulse is shown, in BPM.
      PLOTTED = (40..220).step(2).to_a.freeze
      # A tempo set by a person is one of those found when it lies this near.
      SAME_TEMPO = 0.04

      # @param onset [Signal::OnsetStrength]
      # @param clues [HarmonicClues]
      # @param sounding [Range<Float>] seconds from the first to the last sound
      # @param corrections [Corrections] tempo, meter or downbeat that a person has set
      def initialize(onset, clues, sounding, corrections)
        @onset = onset
        @clues = clues
        @sounding = sounding
        @corrections = corrections
      end

      # @return [Result, nil] nil when nothing repeats, or when the recording is shorter than three bars of anything
      def result
        pulse = @pulse = Pulse.new(@onset)
        return nil unless pulse.period

        @warp = TimeWarp.new(@onset, pulse.period)
        evidence = PulseEvidence.new(@onset, @clues, @warp, pulse.period)
        weighed = BarModel.shipped.weigh(allowed(HypothesisFeatures.new(evidence, pulse, periods: periods(pulse), meters:).hypotheses))
        weighed.empty? ? nil : build(weighed, evidence)
      end

      private

      # A tempo that a person set is the beat, whether or not the pulse is related to it.
      def periods(pulse)
        wanted = @corrections.bpm or return pulse.related
        near = pulse.related.min_by { |period| (period - (60.0 / wanted)).abs }
        near && ((near * wanted / 60.0) - 1).abs < SAME_TEMPO ? [near] : [60.0 / wanted]
      end

      def meters = @corrections.meter ? [@corrections.meter] : Meter::HEARD

      # Every hypothesis is moved to the downbeat that a person set.
      def allowed(hypotheses)
        downbeat = @corrections.first_downbeat or return hypotheses
        at = musical(downbeat)
        hypotheses.map do |hypothesis|
          BarHypothesis.new(**hypothesis.to_h, first_downbeat: at % (hypothesis.period * hypothesis.meter.beats))
        end
      end

      def build(weighed, evidence)
        best = weighed.first.hypothesis
        grid = grid_for(best)
        return nil unless grid

        candidates = tempo_candidates(weighed, tempo(grid))
        Result.new(bpm: candidates.first.bpm, constant: @warp.constant, confidence: candidates.first.odds * @pulse.clarity, candidates:,
          meters: meter_candidates(weighed), grid:, grid_confidence: (weighed.first.odds * @pulse.clarity).round(3),
          swing: Swing.measure(evidence, best), pulse: pulse_curve)
      end

      # How well onsets repeat at each rate: what the tempo rests on.
      def pulse_curve
        PLOTTED.map { |bpm| [bpm, @pulse.correlation_at(60.0 / bpm).round(3)] }
      end

      # For a constant tempo the mean over all beats; else the median over time.
      def tempo(grid)
        return 60.0 * (grid.edges.size - 1) / (grid.edges.last - grid.edges.first) if @warp.constant

        middle_tempo(grid)
      end

      # The tempo that half of the time lies under.
      def middle_tempo(grid)
        lengths = grid.bar_edges.each_cons(2).map { |from, to| to - from }
        passed = 0.0
        grid.bar_tempos.zip(lengths).sort.find { |_, length| (passed += length) >= lengths.sum / 2 }.first
      end

      def tempo_candidates(weighed, bpm)
        best = weighed.first.hypothesis
        groups = weighed.group_by { |item| (item.hypothesis.period / best.period).round(2) }
        candidates = groups.map do |_, items|
          ratio = best.period / items.first.hypothesis.period
          relation = RELATIONS.min_by { |value, _| (value - ratio).abs }.last
          TempoCandidate.new(bpm: (bpm * ratio).round(2), odds: items.sum(&:odds).round(3), relation:,
            reason: TempoReasons.of(relation, weighed.first.hypothesis, items.first.hypothesis))
        end
        first, rest = candidates.partition { |candidate| candidate.relation == "chosen" }
        first + rest.select { |candidate| candidate.odds >= WORTH_NAMING }.sort_by { |candidate| -candidate.odds }
      end

      def meter_candidates(weighed)
        period = weighed.first.hypothesis.period
        same = weighed.select { |item| (item.hypothesis.period - period).abs < 1e-6 }
        total = same.sum(&:odds)
        ranked = same.group_by { |item| item.hypothesis.meter.name }.map do |name, items|
          MeterCandidate.new(name:, odds: (items.sum(&:odds) / total).round(3))
        end
        ranked.sort_by do |candidate|
          -candidate.odds
        end.select.with_index { |candidate, i| i.zero? || candidate.odds >= WORTH_NAMING }
      end

      # Beats from the first sound (a shorter run before the first whole bar is the pickup) to the end of the bar in which
      # the last sound starts.
      def grid_for(best)
        bar = best.period * best.meter.beats
        first_bar = ((musical(@sounding.begin) - best.first_downbeat + (EARLY_BEATS * best.period)) / bar).floor
        last_bar = ((musical(@sounding.end) - best.first_downbeat - (EARLY_BEATS * best.period)) / bar).ceil
        start = best.first_downbeat + (first_bar * bar)
        count = (last_bar - first_bar) * best.meter.beats
        times = @warp.to_seconds((Numo::DFloat.new([count, 0].max + 1).seq * best.period) + start).to_a
        trim(times, best.meter)
      end

      # A first bar that starts well before the sound loses the beats that nobody plays.
      def trim(times, meter)
        period = times.size > 1 ? times[1] - times[0] : 0
        silent = times.count { |time| time < [@sounding.begin - (BEFORE_BEATS * period), -BEFORE_SECONDS].max }
        edges = times.drop(silent).map { |time| [time, 0.0].max.round(5) }.uniq
        pickup = (meter.beats - (silent % meter.beats)) % meter.beats
        edges.size - 1 - pickup >= meter.beats ? BeatGrid.new(edges:, pickup:, meter:) : nil
      end

      # Musical time of a moment in the recording, by bisection over the monotonic clock.
      def musical(seconds)
        low = -REACH_SECONDS
        high = @onset.duration + REACH_SECONDS
        40.times do
          middle = (low + high) / 2
          @warp.to_seconds(Numo::DFloat[middle])[0] < seconds ? low = middle : high = middle
        end
        low
      end
    end
  end
end
