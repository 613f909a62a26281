# frozen_string_literal: true

module Ethoscope
  module Stems
    # Where a stem lies in the mix: offset is what must be added to the stem's times, speed how many seconds of the mix one of the stem takes; agreement is how
    # far the jumps of level in the stem are found in the mix at that place, 0 to 1; distinct is how many times as well as at most other places; apart says by
    # how many seconds it is longer than the mix, or shorter.
    Alignment = Value.of(:offset, :speed, :agreement, :distinct, :apart)

    # Cross-correlation of how the level rises in each register, summed over registers (generalised cross-correlation after Knapp &
    # Carter, "The generalized correlation method for estimation of time delay", IEEE TASSP 1976, on band envelopes). Stems are exported from one start:
    # one that is as long as the mix, or as the mix was before it was made faster or slower, belongs at zero unless the evidence is overwhelming.
    class Alignment
      REGISTERS = 10
      # Levels are compressed over this floor below the loud moments, so that echoes of silence count for nothing.
      FLOOR = 0.02
      # How far a stem may be shifted, in seconds, besides what it is shorter than the mix.
      REACH = 30.0
      # A stem is as long as the mix within so many seconds. It is elsewhere only where it fits there so many times better than at most places, and at zero
      # no better than anywhere.
      AS_LONG_SECONDS = 0.5
      OVERWHELMING = 8.0
      NO_BETTER = 1.5
      # Loops fit a mix at every turn: a shift of a stem of another length is believed only when it fits this many times better than none.
      BETTER = 1.4
      # Frames around a place that count as that place: how a part is played against the grid is no shift.
      NEAR = 4
      # A stem with strokes in it that is of this song stands out this clearly, and shares this much with the mix. One that doesn't stand out but agrees this
      # much is a slow sound that fits anywhere.
      CLEAR = 2.5
      SHARED = 0.15
      SLOW = 0.3
      # One that is as long as the mix is of another song when it stands out less than this, and agrees less.
      OWN = 2.0
      OWN_SHARED = 0.2
      # A tail may have been cut off a stem.
      CUT_SECONDS = 3.0
      # A mix may have been made so much faster or slower than its stems; a speed is believed when it agrees so many times better than none.
      SPEEDS = (0.94..1.065)
      FASTER = 2.0

      # @param stem [Engine::Features]
      # @param mix [Engine::Features]
      # @return [Alignment]
      def self.of(stem, mix)
        plain = at_speed(stem, mix, 1.0)
        ratio = mix.duration / stem.duration
        return plain if plain.apart.abs < AS_LONG_SECONDS || !SPEEDS.cover?(ratio)

        stretched = at_speed(stem, mix, ratio)
        stretched.agreement > plain.agreement * FASTER && stretched.distinct > OWN ? stretched : plain
      end

      def self.at_speed(stem, mix, speed)
        apart = (stem.duration * speed) - mix.duration
        rate = mix.short.rate
        curve, centre = correlation(stretched(jumps(stem.short), speed), jumps(mix.short))
        reach = [((REACH + apart.abs) * rate).round, centre - 1].min
        around = curve[(centre - reach)..(centre + reach)].dup
        usual = [Signal::Series.percentile(around, 0.5), 1e-6].max
        start = near(around, reach)
        place = place(around, start, usual, apart.abs < AS_LONG_SECONDS)
        new(offset: place == start ? 0.0 : ((place - reach + bend(around, place)) / rate).round(4), speed: speed.round(6),
          agreement: around[place].clamp(0.0, 1.0).round(3), distinct: (around[place] / usual).round(1), apart: apart.round(3))
      end
      private_class_method :at_speed

      def self.near(curve, place) = (place - NEAR) + curve[(place - NEAR)..(place + NEAR)].max_index
      private_class_method :near

      # @return [Boolean] true when its place is certain
      def clear? = distinct >= CLEAR && agreement >= SHARED

      # @return [Boolean] false when the stem must be of another song
      def believable?
        return distinct >= OWN || agreement >= OWN_SHARED if apart.abs < AS_LONG_SECONDS

        clear? || agreement >= (apart.abs < CUT_SECONDS ? OWN_SHARED : SLOW)
      end

      def self.place(curve, start, usual, as_long)
        best = curve.max_index
        return start if curve[best] < usual * CLEAR
        return curve[best] > usual * OVERWHELMING && curve[start] < usual * NO_BETTER ? best : start if as_long

        curve[best] > curve[start] * BETTER ? best : start
      end
      private_class_method :place

      # Jumps of a stem as they come when it is played at another speed.
      def self.stretched(jumps, speed)
        return jumps if speed == 1.0 # rubocop:disable Lint/FloatComparison -- set, not reckoned

        count = (jumps.shape[0] * speed).floor
        places = Signal::Interpolation.new(jumps.shape[0], Numo::DFloat.new(count).seq / speed)
        Numo::DFloat.hstack((0...jumps.shape[1]).map { |register| places.of(jumps[true, register]).reshape(count, 1) })
      end
      private_class_method :stretched

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
