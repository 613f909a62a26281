# frozen_string_literal: true

module Ethoscope
  module Stems
    # Where a stem lies in the mix: offset is what must be added to the stem's times; agreement is how far the jumps of level in the
    # stem are found in the mix at that place, 0 to 1; distinct is how many times as well as at most other places.
    Alignment = Value.of(:offset, :agreement, :distinct)

    # Cross-correlation of how the level rises in each register, summed over registers (generalised cross-correlation after Knapp &
    # Carter, "The generalized correlation method for estimation of time delay", IEEE TASSP 1976, on band envelopes).
    class Alignment
      REGISTERS = 10
      # Levels are compressed over this floor below the loud moments, so that echoes of silence count for nothing.
      FLOOR = 0.02
      # How far a stem may be shifted, in seconds, besides what it is shorter than the mix.
      REACH = 30.0
      # Stems are mostly exported from one start, and loops fit the mix at every turn: a shift is believed only when it fits this many
      # times better than none, for stems as long as the mix and for others.
      BETTER_AS_LONG = 2.0
      BETTER = 1.4
      AS_LONG_SECONDS = 2.0
      # Frames around a place that count as that place.
      NEAR = 4
      # A stem with strokes in it that is of this song stands out this clearly, and shares this much with the mix. One that doesn't stand out but agrees this much is a
      # slow sound that fits anywhere.
      CLEAR = 2.5
      SHARED = 0.15
      SLOW = 0.3

      # @param stem [Signal::ShortTime]
      # @param mix [Signal::ShortTime]
      # @return [Alignment]
      def self.of(stem, mix)
        curve, centre = correlation(jumps(stem), jumps(mix))
        reach = [(REACH * mix.rate).round + (mix.size - stem.size).abs, centre - 1].min
        around = curve[(centre - reach)..(centre + reach)].dup
        usual = [Signal::Series.percentile(around, 0.5), 1e-6].max
        place = place(around, reach, usual, (mix.size - stem.size).abs / mix.rate < AS_LONG_SECONDS)
        new(offset: ((place - reach + bend(around, place)) / mix.rate).round(4), agreement: around[place].clamp(0.0, 1.0).round(3), distinct: (around[place] / usual).round(1))
      end

      # Shifts below this are no more than the measurement's own error, in seconds.
      LEAST_SHIFT = 0.012

      # @return [Float] the shift to work with: none where the place is not certain or next to it
      def applied = clear? && offset.abs >= LEAST_SHIFT ? offset : 0.0

      # @return [Boolean] true when its place is certain
      def clear? = distinct >= CLEAR && agreement >= SHARED

      # @return [Boolean] false when the stem must be of another song
      def believable? = clear? || agreement >= SLOW

      def self.place(curve, reach, usual, as_long)
        start = (reach - NEAR) + curve[(reach - NEAR)..(reach + NEAR)].max_index
        best = curve.max_index
        return reach if curve[best] < usual * CLEAR

        if curve[best] > curve[start] * (as_long ? BETTER_AS_LONG : BETTER)
          best
        else
          start
        end
      end
      private_class_method :place

      # How the compressed level of each register rises, weighed so that every register counts by how much it does.
      def self.jumps(short_time)
        groups = short_time.registers(REGISTERS)
        level = Numo::DFloat.cast(Numo::Linalg.dot(short_time.bands, short_time.averaging(groups)))
        loud = [level.max, 1e-9].max
        log = Numo::NMath.log((level / loud) + FLOOR)
        change = Numo::DFloat.zeros(*log.shape)
        change[2.., true] = (log[2.., true] - log[0...-2, true]).clip(0, nil)
        change
      end
      private_class_method :jumps

      # Of all shifts: shared jumps against what the stem has at the most. Also the place of shift 0.
      def self.correlation(stem, mix)
        size = Signal::Padded.size(stem.shape[0] + mix.shape[0])
        sum = (0...[stem.shape[1], mix.shape[1]].min).sum do |register|
          Signal::Padded.spectrum(mix[true, register], size) * Signal::Padded.spectrum(stem[true, register], size).conj
        end
        raw = Signal::Padded.series(sum)
        centre = size / 2
        rolled = Numo::DFloat.zeros(size)
        rolled[centre..] = raw[0...centre]
        rolled[0...centre] = raw[centre..]
        [rolled / [(stem**2).sum, 1e-9].max, centre]
      end
      private_class_method :correlation

      def self.bend(curve, peak)
        return 0.0 unless peak.between?(1, curve.size - 2)

        before, at, after = curve[(peak - 1)..(peak + 1)].to_a
        curvature = before - (2 * at) + after
        curvature.zero? ? 0.0 : (0.5 * (before - after) / curvature).clamp(-0.5, 0.5)
      end
      private_class_method :bend
    end
  end
end
