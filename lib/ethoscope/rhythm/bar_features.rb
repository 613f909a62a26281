# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # Lists every {BarHypothesis} that a recording allows and measures the same features of each: beat period, phase and
    # bar position are judged together (after Krebs, Böck & Widmer, "An efficient state-space model for joint tempo and
    # meter tracking", ISMIR 2015, with folded averages in the place of a state space).
    class BarFeatures
      SUBDIVISIONS = 12
      # Shifts of the beat against the pulse, in twelfths of a beat: none, half, quarters and thirds.
      SHIFTS = [0, 3, 4, 6, 8, 9].freeze
      MIN_BARS = 3
      CURVES = %i[total low middle high change bass].freeze
      NAMES = %i[
        meter_3 meter_5 meter_7 meter_6_8 meter_12_8 tempo tempo_squared tempo_compound
        on_total on_low on_middle on_high on_change on_bass half_total half_low half_middle half_high quarter_total
        quarter_high third_simple third_compound first_third_compound
        down_total down_low down_middle down_high down_change down_bass
        backbeat_middle backbeat_low halftime_middle halftime_low waltz_middle second_change middle_change
        repeat_bar repeat_pulse repeat_harmony density density_squared lag_beat lag_half
      ].freeze

      # @param evidence [Evidence]
      # @param pulse [Pulse]
      def initialize(evidence, pulse)
        @evidence = evidence
        @pulse = pulse
      end

      # @return [Array<BarHypothesis>]
      def hypotheses
        @pulse.related.flat_map do |period|
          SHIFTS.flat_map { |shift| of_grid(period, shift) }
        end
      end

      private

      def of_grid(period, shift)
        start = (@evidence.phase + (period * shift / SUBDIVISIONS)) % period
        beats = ((@evidence.duration - start) / period).floor
        return [] if beats < 2 * MIN_BARS

        grid = CURVES.to_h do |name|
          values = @evidence.at(name, start, period / SUBDIVISIONS, beats * SUBDIVISIONS)
          [name, values.reshape(beats, SUBDIVISIONS)]
        end
        common = beat_features(period, grid)
        Meter::ALL.flat_map { |meter| of_meter(meter, period, start, grid, common) }
      end

      def of_meter(meter, period, start, grid, common)
        bars = (grid[:total].shape[0] / meter.beats) - 1
        return [] if bars < MIN_BARS

        repetition = repetition_features(meter, period, grid)
        (0...meter.beats).map do |first|
          folded = grid.transform_values do |values|
            values[first...(first + (bars * meter.beats)), 0].reshape(bars, meter.beats).mean(axis: 0)
          end
          features = common.merge(meter_features(meter, period, grid), bar_features(meter, folded), repetition)
          BarHypothesis.new(period:, meter:, first_downbeat: start + (first * period), features: features.values_at(*NAMES))
        end
      end

      def ratio(above, below) = Math.log((above + 0.1) / (below + 0.1))

      def beat_features(period, grid)
        tempo = Math.log2(60.0 / period / 100.0)
        density = Math.log2([@evidence.density * period, 0.1].max)
        features = { tempo:, tempo_squared: tempo**2, density:, density_squared: density**2,
                     lag_beat: @pulse.correlation_at(period), lag_half: @pulse.correlation_at(period / 2) }
        mean = grid.transform_values { |values| values.mean(axis: 0).to_a }
        CURVES.each { |name| features[:"on_#{name}"] = ratio(mean[name][0], 1.0) }
        %i[total low middle high].each { |name| features[:"half_#{name}"] = ratio(mean[name][6], mean[name][0]) }
        %i[total high].each { |name| features[:"quarter_#{name}"] = ratio((mean[name][3] + mean[name][9]) / 2, mean[name][6]) }
        features
      end

      def meter_features(meter, period, grid)
        total = grid[:total].mean(axis: 0).to_a
        binary = (total[3] + total[9] + total[6]) / 3
        thirds = ratio((total[4] + total[8]) / 2, binary)
        compound = meter.compound ? 1.0 : 0.0
        { meter_3: meter.name == "3/4", meter_5: meter.name == "5/4", meter_7: meter.name == "7/8",
          meter_6_8: meter.name == "6/8", meter_12_8: meter.name == "12/8" }.transform_values { |is| is ? 1.0 : 0.0 }.merge(
            tempo_compound: compound * Math.log2(60.0 / period / 100.0), third_compound: compound * thirds,
            third_simple: (1 - compound) * thirds, first_third_compound: compound * ratio(total[4], total[8])
          )
      end

      def bar_features(meter, folded)
        features = CURVES.to_h do |name|
          rest = folded[name][1..].mean
          [:"down_#{name}", ratio(folded[name][0], rest)]
        end
        middle, low, change = folded.values_at(:middle, :low, :change).map(&:to_a)
        features.merge(four_features(meter, middle, low, change),
          waltz_middle: meter.beats == 3 ? ratio((middle[1] + middle[2]) / 2, middle[0]) : 0.0)
      end

      def four_features(meter, middle, low, change)
        unless meter.beats == 4
          return { backbeat_middle: 0.0, backbeat_low: 0.0, halftime_middle: 0.0, halftime_low: 0.0,
                   second_change: 0.0, middle_change: 0.0 }
        end

        { backbeat_middle: ratio(middle[1] + middle[3], middle[0] + middle[2]),
          backbeat_low: ratio(low[1] + low[3], low[0] + low[2]),
          halftime_middle: ratio(2 * middle[2], middle[1] + middle[3]),
          halftime_low: ratio(2 * low[2], low[1] + low[3]),
          second_change: ratio((change[1] + change[3]) / 2, change[0]),
          middle_change: ratio(change[2], change[0]) }
      end

      # How alike bars are, against spans that are a beat shorter or longer.
      def repetition_features(meter, period, grid)
        bar = period * meter.beats
        near = (@pulse.correlation_at(bar - period) + @pulse.correlation_at(bar + period)) / 2
        { repeat_bar: @pulse.correlation_at(bar) - near,
          repeat_pulse: meter.beats == 4 ? @pulse.correlation_at(bar) - @pulse.correlation_at(bar / 2) : 0.0,
          repeat_harmony: lag_similarity(grid[:change], meter.beats) }
      end

      def lag_similarity(values, lag)
        curve = Signal::Series.standardize(values.mean(axis: 1))
        n = curve.size
        at = ->(shift) { shift < n ? (curve[shift..] * curve[0...(n - shift)]).mean : 0.0 }
        (at.call(lag) + at.call(2 * lag)) - (at.call(lag - 1) + at.call(lag + 1))
      end
    end
  end
end
