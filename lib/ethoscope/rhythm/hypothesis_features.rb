# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # Lists every {BarHypothesis} that a recording allows and measures the same features of each: beat period, phase and
    # bar position are judged together (after Krebs, Böck & Widmer, "An efficient state-space model for joint tempo and
    # meter tracking", ISMIR 2015, with folded averages in the place of a state space).
    class HypothesisFeatures
      # Onsets a beat below which a song is as sparse as it gets.
      SPARSEST = 0.1
      # Shifts of the beat against the pulse, in places of a beat: none, half, quarters and thirds.
      SHIFTS = [0, 3, 4, 6, 8, 9].freeze
      MIN_BARS = 3
      BEAT_NAMES = [
        :tempo, :tempo_squared, :density, :density_squared, :lag_beat, :lag_half, *BeatTable::CURVES.map { |name| :"on_#{name}" },
        :half_total, :half_low, :half_middle, :half_high, :quarter_total, :quarter_high
      ].freeze
      METER_NAMES = %i[
        meter_3 meter_5 meter_7 meter_6_8 meter_12_8 tempo_compound tempo_3 tempo_7 density_compound third_simple third_compound
        third_high_simple third_high_compound first_third_simple first_third_compound
      ].freeze
      # Lags in bars at which notes and chords may come back.
      RETURNS = [1, 2, 4, 8].freeze
      REPEAT_NAMES = [:repeat_bar, :repeat_pulse, :repeat_change, :repeat_low, :repeat_middle, *RETURNS.map { |bars| :"notes_after_#{bars}" },
                      *RETURNS.map { |bars| :"chords_after_#{bars}" }, :notes_four_not_three].freeze
      # Curves whose strong and weak bars are told apart: where every second bar is weak, the bar is too short.
      ALTERNATING = %i[turns change low middle].to_h { |name| [name, BeatTable::CURVES.index(name)] }.freeze
      NAMES = (BEAT_NAMES + METER_NAMES + REPEAT_NAMES + BarShape::NAMES + ALTERNATING.keys.map { |name| :"alternate_#{name}" }).freeze
      # Stretches differences of likeness to the size of the other features.
      LIKENESS = 5.0

      # @param evidence [PulseEvidence]
      # @param pulse [Pulse]
      # @param periods [Array<Float>] beat periods in musical seconds that come into question
      # @param meters [Array<Meter>] meters that do
      def initialize(evidence, pulse, periods: pulse.related, meters: Meter::HEARD)
        @evidence = evidence
        @pulse = pulse
        @periods = periods
        @meters = meters
      end

      # @return [Array<BarHypothesis>]
      def hypotheses = @periods.flat_map { |period| SHIFTS.flat_map { |shift| of_grid(period, shift) } }

      private

      def ratio(above, below) = BarShape.ratio(above, below)

      def of_grid(period, shift)
        start = (@evidence.phase + (period * shift / BeatTable::PLACES)) % period
        beats = ((@evidence.duration - start) / period).floor
        return [] if beats < 2 * MIN_BARS

        table = BeatTable.new(@evidence, start, period, beats)
        of_beat = beat_features(period, table.mean)
        @meters.flat_map { |meter| of_meter(meter, period, start, table, of_beat.merge(meter_features(meter, period, table.mean))) }
      end

      def of_meter(meter, period, start, table, known)
        bars = (table.size / meter.beats) - 1
        return [] if bars < MIN_BARS

        known = known.merge(repeat_features(meter, period, table))
        folds = table.folds(bars, meter.beats)
        halves = table.even_and_odd(bars, meter.beats)
        (0...meter.beats).map do |first|
          even, odd = halves.map { |beats| beats[first] }
          features = known.merge(BarShape.features(meter, folds[first, meter.beats]), alternation(even, odd)).values_at(*NAMES)
          BarHypothesis.new(period:, meter:, first_downbeat: start + (first * period), features:)
        end
      end

      def alternation(even, odd) = ALTERNATING.to_h { |name, column| [:"alternate_#{name}", ratio(even[column], odd[column]).abs] }

      def beat_features(period, mean)
        tempo = Math.log2(60.0 / period / 100.0)
        density = Math.log2([@evidence.density * period, SPARSEST].max)
        features = { tempo:, tempo_squared: tempo**2, density:, density_squared: density**2,
                     lag_beat: @pulse.correlation_at(period), lag_half: @pulse.correlation_at(period / 2) }
        BeatTable::CURVES.each { |name| features[:"on_#{name}"] = ratio(mean[name][0], 1.0) }
        %i[total low middle high].each { |name| features[:"half_#{name}"] = ratio(mean[name][6], mean[name][0]) }
        %i[total high].each { |name| features[:"quarter_#{name}"] = ratio((mean[name][3] + mean[name][9]) / 2, mean[name][6]) }
        features
      end

      def meter_features(meter, period, mean)
        compound = meter.compound ? 1.0 : 0.0
        tempo = Math.log2(60.0 / period / 100.0)
        thirds, high_thirds = %i[total high].map { |name| thirds(mean[name]) }
        first = ratio(mean[:total][4], mean[:total][8])
        named = { meter_3: "3/4", meter_5: "5/4", meter_7: "7/8", meter_6_8: "6/8", meter_12_8: "12/8" }
        named.transform_values { |name| meter.name == name ? 1.0 : 0.0 }.merge(
          tempo_compound: compound * tempo, tempo_3: meter.name == "3/4" ? tempo : 0.0, tempo_7: meter.name == "7/8" ? tempo : 0.0,
          density_compound: compound * Math.log2([@evidence.density * period, SPARSEST].max),
          third_simple: (1 - compound) * thirds, third_compound: compound * thirds, third_high_simple: (1 - compound) * high_thirds,
          third_high_compound: compound * high_thirds, first_third_simple: (1 - compound) * first, first_third_compound: compound * first
        )
      end

      # Thirds of the beat against its halves and quarters.
      def thirds(mean) = ratio((mean[4] + mean[8]) / 2, (mean[3] + mean[9] + mean[6]) / 3)

      # How alike bars are, against spans that are a beat shorter or longer.
      def repeat_features(meter, period, table)
        bar = period * meter.beats
        near = (@pulse.correlation_at(bar - period) + @pulse.correlation_at(bar + period)) / 2
        beats = %i[change low middle].to_h { |name| [:"repeat_#{name}", table.repetition(name, meter.beats)] }
        { repeat_bar: @pulse.correlation_at(bar) - near,
          repeat_pulse: meter.beats == 4 ? @pulse.correlation_at(bar) - @pulse.correlation_at(bar / 2) : 0.0 }.merge(beats, returns(bar, period))
      end

      def returns(bar, period)
        features = RETURNS.flat_map do |bars|
          %i[notes chords].map { |kind| [:"#{kind}_after_#{bars}", return_after(@evidence.public_send(kind), bars * bar, period)] }
        end
        four, three = [4, 3].map { |bars| @evidence.notes.at(bars * bar) }
        features.to_h.merge(notes_four_not_three: four && three ? LIKENESS * (four - three) : 0.0)
      end

      def return_after(repetition, lag, period)
        there = repetition.at(lag)
        beside = [repetition.at(lag - period), repetition.at(lag + period)].compact
        there && beside.any? ? LIKENESS * (there - (beside.sum / beside.size)) : 0.0
      end
    end
  end
end
