# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # Reads the moments of onsets against the steps of the bar
    # (after Davies, Madison, Silva & Gouyon, "The effect of microtiming deviations on the perception of groove", Music Perception 2013).
    class MicroTiming
      # The tenth that strays most is no measure of how the rest is played.
      KEPT_SHARE = 0.9
      # Onsets are looked for this far from a step.
      REACH_SECONDS = 0.05
      REACH_SHARE = 0.45
      # A peak counts as an onset when it reaches this many times the register's mean.
      PEAK = 2.5
      # A step needs this many onsets to have a mean.
      FEWEST = 4
      # Spread under which the feel is programmed, and over which it is loose, in ms.
      PROGRAMMED = 4.0
      LOOSE = 14.0

      # @param onset [Signal::OnsetStrength]
      # @param steps [StepGrid]
      def initialize(onset, steps)
        @onset = onset
        @steps = steps
        freeze
      end

      # @return [Array<Timing>] low, middle and high
      def timings = { "low" => @onset.low, "middle" => @onset.middle, "high" => @onset.high }.map { |name, curve| timing(name, curve) }

      # @param timings [Array<Timing>]
      # @return [String, nil] "programmed", "played" or "loose", by the register that plays most; nil when hardly anything is struck
      def self.feel(timings)
        busiest = timings.max_by(&:onsets)
        return nil unless busiest&.spread_ms

        case busiest.spread_ms
        when ..PROGRAMMED then "programmed"
        when ..LOOSE then "played"
        else "loose"
        end
      end

      private

      def timing(register, curve)
        step, late = offsets(curve)
        by_step = (0...@steps.steps).map { |place| late.empty? ? late : late[step.eq(place).where] }
        means = by_step.map { |values| values.size >= FEWEST ? values.mean * 1000 : nil }
        Timing.new(register:, offsets_ms: means.map { |mean| mean&.round(1) }, spread_ms: spread(by_step, means), onsets: late.size)
      end

      # For every onset near a step: which step of the bar, and how many seconds late.
      def offsets(curve)
        peaks, heights = Attacks.of(curve, @onset.rate).to_h.values_at(:times, :heights)
        return [Numo::Int32[], Numo::DFloat[]] if peaks.empty?

        flat = @steps.times.flatten
        nearest = flat.to_a.map { |time| closest(peaks, time) }
        late = Numo::DFloat[*nearest.map { |index| peaks[index] }] - flat
        strong = Numo::DFloat[*nearest.map { |index| heights[index] }] > curve.mean * PEAK
        near = (late.abs < [REACH_SECONDS, @steps.step_seconds * REACH_SHARE].min) & strong
        kept = near.where
        [Numo::Int32.cast(kept) % @steps.steps, late[kept]]
      end

      def closest(peaks, time)
        right = peaks.bsearch_index { |peak| peak >= time } || (peaks.size - 1)
        right.positive? && (time - peaks[right - 1]) < (peaks[right] - time).abs ? right - 1 : right
      end

      # Root mean square around the step means, the farthest tenth left out.
      def spread(by_step, means)
        residuals = by_step.zip(means).flat_map { |values, mean| mean ? ((values * 1000) - mean).to_a : [] }
        return nil if residuals.size < FEWEST * 2

        kept = residuals.map(&:abs).sort.first((residuals.size * KEPT_SHARE).ceil)
        Math.sqrt(kept.sum { |value| value**2 } / kept.size).round(1)
      end
    end
  end
end
