# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # A tempo that the recording could also be counted in, with its odds, how it relates to the first choice, and why. The method is our own.
    TempoCandidate = Value.of(:bpm, :odds, :relation, :reason)
    # A meter with its odds.
    MeterCandidate = Value.of(:name, :odds)
    # All that the rhythm stage says; pulse is [bpm, strength] along the tempo axis; counts are tempo and meter as pairs, bar_lines where else bar 1 could be.
    Result = Value.of(:bpm, :constant, :confidence, :candidates, :meters, :counts, :bar_lines, :grid, :grid_confidence, :swing, :pulse)

    # Knows what a person's change of tempo does to it.
    class Result
      # @return [Result] the same of a tempo that does not hold throughout
      def with_moving_tempo = Result.new(**to_h, constant: false)

      # @param grid [BeatGrid] that a better source tells
      # @param onset [Signal::OnsetStrength]
      # @return [Result] counted so; the tempo is the one that half of the bars lie under
      def counted(grid, onset)
        bpm = Signal::Middle.of(grid.bar_tempos).round(2)
        first, *rest = candidates
        Result.new(**to_h, grid:, bpm:, constant: false, swing: Swing.measure(onset, grid),
          candidates: [TempoCandidate.new(**first.to_h, bpm:, reason: "as the notes are written"), *rest])
      end
    end

    # Tempo, meter, beats and bars of a recording. The method is our own.
    class BeatFinder
      RELATIONS = { 0.5 => "half", 2.0 => "double", 3.0 => "triple", 1.0 / 3 => "a third", 1.5 => "three to two", 2.0 / 3 => "two to three",
                    1.0 => "chosen" }.freeze
      # Of what a person says nobody doubts, but for a slip.
      TOLD_CONFIDENCE = 0.99
      # Tempi that stand so to the one heard keep its meter.
      SAME_METER = [1.0, 0.5, 2.0].freeze
      # Odds below this are not worth showing.
      WORTH_NAMING = 0.005
      # Rates at which the pulse is shown, in BPM.
      PLOTTED = (40..220).step(2).to_a.freeze
      # A tempo that moves is the middle of those over so many beats.
      MIDDLE_BEATS = 8

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
        @pulse = Pulse.new(@onset)
        heard = @pulse.period && listen
        return heard unless @corrections.bpm

        @corrections.follows && heard ? followed(heard) : told(heard)
      end

      private

      # What is heard on a clock that runs with the music, in the meter and with the bar line that a person said.
      def listen
        @clock = TimeWarp.new(@onset, @pulse.period)
        evidence = PulseEvidence.new(@onset, @clues, @clock, @pulse.period)
        @weighed = BarModel.shipped.weigh(HypothesisFeatures.new(evidence, @pulse, meters: Meter::HEARD | [@corrections.meter].compact).hypotheses)
        weighed = @corrections.meter ? BarModel.shipped.weigh(of_meter(@weighed)) : @weighed
        weighed.empty? ? nil : build(weighed.first, weighed)
      end

      # Another meter of the same kind keeps the beat.
      def of_meter(weighed)
        meter = @corrections.meter
        heard = weighed.first&.hypothesis
        fitting = weighed.map(&:hypothesis).select { |one| one.meter == meter }
        fitting.select { |one| heard.meter.compound == meter.compound && (one.period - heard.period).abs < 1e-6 }.then { |kept| kept.empty? ? fitting : kept }
      end

      def layout(clock = @clock) = BarLayout.new(clock, @sounding, first_line: @corrections.first_downbeat)

      # The bar line that a person said, or else the one heard, in musical time.
      def line(hypothesis) = @corrections.first_downbeat ? layout.musical(@corrections.first_downbeat) : hypothesis.first_downbeat

      def build(best, weighed)
        @best = best.hypothesis
        grid = layout.grid(period: @best.period, meter: @best.meter, line: line(@best)) or return nil
        candidates = tempo_candidates(weighed, tempo(grid))
        others = CountAlternatives.new(@weighed, @best, candidates.first.bpm)
        Result.new(bpm: candidates.first.bpm, constant: @clock.constant, confidence: candidates.first.odds * @pulse.clarity, candidates:,
          meters: meter_candidates(weighed), counts: others.pairs, bar_lines: others.bar_lines, grid:,
          grid_confidence: (best.odds * @pulse.clarity).round(3), swing: Swing.measure(@onset, grid), pulse: pulse_curve)
      end

      # The beats heard, so many times as fast as a person says, wherever the playing goes.
      def followed(heard)
        ratio = [*ToldTempo::RELATED, 1.5, 2.0 / 3].find { |times| ((@corrections.bpm / heard.bpm / times) - 1).abs < ToldTempo::NEAR } || (@corrections.bpm / heard.bpm)
        period = @best.period / ratio
        grid = layout.grid(period:, meter: meter_at(ratio, period, heard), line: line(@best)) or return heard
        as_told(heard, tempo(grid), grid, constant: heard.constant)
      end

      # Even beats of exactly the tempo that a person says.
      def told(heard)
        tempo = ToldTempo.new(@corrections.bpm, line: @corrections.first_downbeat, heard:)
        meter = meter_at(heard && (@corrections.bpm / heard.bpm), tempo.period, heard)
        line = tempo.line { steady_line(tempo.period, meter) }
        grid = layout(SteadyClock).grid(period: tempo.period, meter:, line:) or return heard
        as_told(heard, @corrections.bpm, grid, constant: true)
      end

      # The meter that a person said, the one heard, or, where the tempo stands to the one heard as three to two, the one that fits that tempo best.
      def meter_at(ratio, period, heard)
        return @corrections.meter if @corrections.meter
        return heard.grid.meter if heard && SAME_METER.any? { |times| ((ratio / times) - 1).abs < ToldTempo::NEAR }

        at_period(period, Meter::HEARD).first&.hypothesis&.meter || heard&.grid&.meter || Meter.named("4/4")
      end

      # Where bars of a tempo that is not the one heard fall best.
      def steady_line(period, meter) = at_period(period, [meter]).first&.hypothesis&.first_downbeat || @sounding.begin

      def at_period(period, meters)
        evidence = PulseEvidence.new(@onset, @clues, SteadyClock, period)
        BarModel.shipped.weigh(HypothesisFeatures.new(evidence, @pulse, periods: [period], meters:).hypotheses)
      end

      # What was heard as another tempo is a rival of what a person says.
      def as_told(heard, bpm, grid, constant:)
        rivals = (heard&.candidates || []).map { |one| TempoCandidate.new(**one.to_h, relation: relation(one.bpm / bpm)) }.reject { |one| one.relation == "chosen" }
        same = (heard&.candidates || []).find { |one| relation(one.bpm / bpm) == "chosen" }
        counts = others_heard(heard, bpm)
        Result.new(bpm: bpm.round(2), constant:, confidence: TOLD_CONFIDENCE, meters: told_meters(heard, grid.meter), bar_lines: same ? heard.bar_lines : [],
          candidates: [TempoCandidate.new(bpm: bpm.round(2), odds: TOLD_CONFIDENCE, relation: "chosen", reason: "as you say"), *rivals],
          counts: [CountAlternative.new(bpm: bpm.round(2), meter: grid.meter.name, odds: TOLD_CONFIDENCE, relation: "chosen", reason: "as you say"),
                   *counts.reject { |one| one.relation == "chosen" && one.meter == grid.meter.name }],
          grid:, grid_confidence: heard&.grid_confidence || 0.0, swing: Swing.measure(@onset, grid), pulse: pulse_curve)
      end

      # What was heard, the likeliest first, each as it stands to the tempo that is told.
      def others_heard(heard, bpm)
        worth = (heard&.counts || []).select { |one| one.odds >= CountAlternatives::WORTH_NAMING }
        worth.map { |one| CountAlternative.new(**one.to_h, relation: relation(one.bpm / bpm)) }.sort_by { |one| -one.odds }
      end

      # The meter that holds first, with the odds that were heard for it.
      def told_meters(heard, meter)
        known = heard&.meters || []
        own = known.find { |one| one.name == meter.name }&.odds || (known.empty? ? 1.0 : 0.0)
        [MeterCandidate.new(name: meter.name, odds: @corrections.meter ? TOLD_CONFIDENCE : own), *known.reject { |one| one.name == meter.name }]
      end

      def relation(ratio) = RELATIONS.min_by { |value, _| Math.log2(value / ratio).abs }.last

      # How well onsets repeat at each rate: what the tempo rests on.
      def pulse_curve
        PLOTTED.map { |bpm| [bpm, @pulse.correlation_at(60.0 / bpm).round(3)] }
      end

      # For a constant tempo the mean over all beats; else the middle of those over eight beats.
      def tempo(grid)
        return 60.0 * (grid.edges.size - 1) / (grid.edges.last - grid.edges.first) if @clock.constant

        middle_tempo(grid)
      end

      # A beat or a bar by itself is played or heard a hair early or late.
      def middle_tempo(grid)
        span = [MIDDLE_BEATS, grid.edges.size - 1].min
        60.0 * span / Signal::Middle.of((span...grid.edges.size).map { |last| grid.edges[last] - grid.edges[last - span] })
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
    end
  end
end
