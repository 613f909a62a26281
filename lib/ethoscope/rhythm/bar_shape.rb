# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # What the folded bar of one hypothesis looks like: where in it low, middle and high sounds are struck and harmony turns.
    # All values are logarithms of ratios, 0 for "no difference". The method is our own.
    module BarShape
      # Ratios of nothing to nothing are one; what is weaker than this hardly counts.
      LEAST = 0.1
      NAMES = [
        *BeatTable::CURVES.map { |name| :"down_#{name}" }, :downhalf_total, :downhalf_low, :downhalf_middle, :downhalf_high,
        :backbeat_middle, :backbeat_low, :halftime_middle, :halftime_low, :second_change, :middle_change, :second_turns, :middle_turns,
        :waltz_middle, :waltz_low, :six_middle, :six_low, :five_change, :five_low, :seven_low, :seven_middle, :late_turns
      ].freeze
      NOTHING = NAMES.to_h { |name| [name, 0.0] }.freeze
      private_constant :NOTHING

      # @param above [Float]
      # @param below [Float]
      # @return [Float]
      def self.ratio(above, below) = Math.log((above + LEAST) / (below + LEAST))

      # @param meter [Meter]
      # @param bar [Array<Array<Float>>] the mean bar's beats, as {BeatTable#folds} gives them
      # @return [Hash{Symbol => Float}] one value for each of NAMES
      def self.features(meter, bar)
        columns = bar.transpose
        on, half = columns.each_slice(BeatTable::CURVES.size).map { |curves| BeatTable::CURVES.zip(curves).to_h }
        NOTHING.merge(downbeat(on), half_after(half), by_meter(meter, on), late_turns: ratio(half[:turns].max, on[:turns][0]))
      end

      def self.downbeat(on) = BeatTable::CURVES.to_h { |name| [:"down_#{name}", ratio(on[name][0], mean(on[name].drop(1)))] }
      private_class_method :downbeat

      def self.half_after(half)
        %i[total low middle high].to_h { |name| [:"downhalf_#{name}", ratio(half[name][0], mean(half[name].drop(1)))] }
      end
      private_class_method :half_after

      def self.by_meter(meter, on)
        middle, low, change, turns = on.values_at(:middle, :low, :change, :turns)
        case meter.beats
        when 2 then { six_middle: ratio(middle[1], middle[0]), six_low: ratio(low[1], low[0]) }
        when 3 then { waltz_middle: ratio(mean(middle.drop(1)), middle[0]), waltz_low: ratio(mean(low.drop(1)), low[0]) }
        when 4 then four(middle, low, change, turns)
        when 5 then { five_change: ratio(change[3], change[0]), five_low: ratio(low[3], low[0]) }
        else { seven_low: ratio(low[4], low[0]), seven_middle: ratio(middle[4], middle[0]) }
        end
      end
      private_class_method :by_meter

      def self.four(middle, low, change, turns)
        { backbeat_middle: ratio(middle[1] + middle[3], middle[0] + middle[2]), backbeat_low: ratio(low[1] + low[3], low[0] + low[2]),
          halftime_middle: ratio(2 * middle[2], middle[1] + middle[3]), halftime_low: ratio(2 * low[2], low[1] + low[3]),
          second_change: ratio((change[1] + change[3]) / 2, change[0]), middle_change: ratio(change[2], change[0]),
          second_turns: ratio((turns[1] + turns[3]) / 2, turns[0]), middle_turns: ratio(turns[2], turns[0]) }
      end
      private_class_method :four

      def self.mean(values) = values.sum / values.size
      private_class_method :mean
    end
  end
end
