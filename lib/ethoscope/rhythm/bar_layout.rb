# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # Lays bars of one length on a clock, from the first sound of a recording to its last one. The method is our own.
    class BarLayout
      # What sounds begins so much of a beat before its bar line, and ends so much after it, without making another bar.
      EARLY_BEATS = 0.12
      # A beat this far before anything sounds is none.
      BEFORE_BEATS = 0.3
      # Nor is one that lies so many seconds before the recording.
      BEFORE_SECONDS = 0.05
      # The clock is looked up so far before and after the recording.
      REACH_SECONDS = 5.0

      # @param times [Array<Float>] seconds of beats, from a bar line on, whole bars
      # @param meter [Meter]
      # @param sounding [Range<Float>] seconds
      # @return [BeatGrid, nil] those from the bar of the first sound to that of the last one; nil when no whole bar sounds
      def self.cut(times, meter, sounding)
        bars = times.each_slice(meter.beats).map(&:first)
        period = (times.last - times.first) / (times.size - 1)
        first = bars.rindex { |line| line <= sounding.begin + (EARLY_BEATS * period) } || 0
        last = bars.index { |line| line >= sounding.end - (EARLY_BEATS * period) } || (bars.size - 1)
        kept = times[(first * meter.beats)..(last * meter.beats)].reject { |time| time < -BEFORE_SECONDS }
        pickup = (kept.size - 1) % meter.beats
        edges = kept.map { |time| [time, 0.0].max.round(5) }.uniq
        edges.size - 1 - pickup >= meter.beats ? BeatGrid.new(edges:, pickup:, meter:) : nil
      end

      # @param clock [TimeWarp, SteadyClock]
      # @param sounding [Range<Float>] seconds from the first to the last sound
      # @param first_line [Float, nil] seconds of a bar line before which nothing is counted away, as a person says
      def initialize(clock, sounding, first_line: nil)
        @clock = clock
        @sounding = first_line ? (first_line.clamp(0, sounding.begin)..sounding.end) : sounding
      end

      # Beats from the first sound (a shorter run before the first whole bar is the pickup) to the end of the bar in which the last sound starts.
      #
      # @param period [Float] of a beat, musical seconds
      # @param meter [Meter]
      # @param line [Float] any bar line, musical seconds
      # @return [BeatGrid, nil] nil when no whole bar sounds
      def grid(period:, meter:, line:)
        bar = period * meter.beats
        first = ((musical(@sounding.begin) - line + (EARLY_BEATS * period)) / bar).floor
        last = ((musical(@sounding.end) - line - (EARLY_BEATS * period)) / bar).ceil
        count = [(last - first) * meter.beats, 0].max
        trim(@clock.to_seconds((Numo::DFloat.new(count + 1).seq * period) + (line + (first * bar))).to_a, meter)
      end

      # @param seconds [Float]
      # @return [Float] musical time of a moment in the recording, by bisection over the monotonic clock
      def musical(seconds)
        return seconds if @clock == SteadyClock

        low = [seconds, 0].min - REACH_SECONDS
        high = [seconds, @sounding.end].max + (2 * REACH_SECONDS)
        40.times do
          middle = (low + high) / 2
          @clock.to_seconds(Numo::DFloat[middle])[0] < seconds ? low = middle : high = middle
        end
        low
      end

      private

      # A first bar that starts well before the sound loses the beats that nobody plays.
      def trim(times, meter)
        period = times.size > 1 ? times[1] - times[0] : 0
        silent = times.count { |time| time < [@sounding.begin - (BEFORE_BEATS * period), -BEFORE_SECONDS].max }
        edges = times.drop(silent).map { |time| [time, 0.0].max.round(5) }.uniq
        pickup = (meter.beats - (silent % meter.beats)) % meter.beats
        edges.size - 1 - pickup >= meter.beats ? BeatGrid.new(edges:, pickup:, meter:) : nil
      end
    end
  end
end
