# frozen_string_literal: true

module Ethoscope
  module Stems
    # What a stem's sounds leave behind: repeats after a note value, and how long they die away. Both are read where nothing else is struck,
    # so a part without pauses says nothing of them. The method is our own.
    class Echo
      # The height of an onset is reached by then.
      AFTER_SECONDS = 0.05
      # An echo is seen when the next onset comes so long after it.
      CLEAR_SECONDS = 0.1
      # What was there before it is looked at so long before.
      VALLEY_SECONDS = [0.07, 0.03].freeze
      # A tail is seen in pauses that are longer.
      PAUSE_SECONDS = 0.4
      # Its start and end are left out.
      MARGIN_SECONDS = [0.03, 0.05].freeze
      # A repeat lies this close to its place, this far under its sound in dB, and follows this share of the sounds that leave it room.
      NEAR_SECONDS = 0.018
      UNDER_DB = (2.0..22.0)
      SHARE = 0.7
      FEWEST = 4
      # A rise of this many dB out of what decays is a repeat.
      RISE_DB = 2.0
      # A tail is followed for this long at the most, must fall by this much, and is told as the time for sixty dB
      # (reverberation time by extrapolation, ISO 3382-2).
      TAIL_SECONDS = 2.0
      FALL_DB = 15.0
      # Below this the floor begins.
      DEEPEST_DB = 35.0
      SIXTY = 60.0

      # @param features [Engine::Features] of the stem
      # @param grid [Rhythm::BeatGrid] in the stem's time
      # @param onsets [Array<Float>] seconds at which its sounds begin
      def initialize(features, grid, onsets)
        @features = features
        @rate = features.short.rate
        level = features.short.level(100.0..9000.0)
        @db = Numo::NMath.log10((level / [level.max, 1e-9].max) + 1e-5) * 20
        @onsets = onsets
        @quarter = grid.quarter_seconds
      end

      # @return [Hash, nil] ms, unit, under_db, and alternates (sides in turn); nil where no repeat is heard
      def delay
        strong = strokes
        found = Rhythm::NoteValue::QUARTERS.filter_map { |name, quarters| repeats(strong, quarters * @quarter)&.merge(unit: name, ms: (quarters * @quarter * 1000).round) }
        best = found.max_by { |one| one[:share] * one[:count] } or return nil
        best.slice(:ms, :unit, :under_db).merge(alternates: alternates?(best[:ms] / 1000.0))
      end

      # @return [Float, nil] seconds in which its sounds would fall by sixty dB, the middle one of those that die away freely
      def tail
        times = pauses.filter_map { |from, to| fall(from, to) }
        times.size < FEWEST ? nil : Signal::Middle.of(times).round(1)
      end

      private

      # Onsets that are no weak echoes of others themselves.
      def strokes
        heights = @onsets.map { |time| height(time) }
        loud = heights.sort[(heights.size * 3) / 4] || 0
        @onsets.each_index.select { |i| heights[i] > loud - UNDER_DB.begin - 4 }.map { |i| @onsets[i] }
      end

      def height(time) = frames(time - NEAR_SECONDS, time + AFTER_SECONDS).max

      def frames(from, to) = @db[Signal::Series.frames(from, to, @rate, @db.size)]

      # How many strokes with room for it are followed by a weaker rise after that lag.
      def repeats(strong, lag)
        free = strong.each_cons(2).filter_map { |one, following| one if following - one > lag + CLEAR_SECONDS }
        return nil if free.size < FEWEST

        under = free.filter_map { |time| echo_under(time, lag) }
        return nil if under.size < SHARE * free.size

        { share: under.size / free.size.to_f, count: under.size, under_db: Signal::Middle.of(under).round(1) }
      end

      def echo_under(time, lag)
        at = time + lag
        before = frames(*VALLEY_SECONDS.map { |back| at - back }).min
        top = frames(at - NEAR_SECONDS, at + NEAR_SECONDS).max
        under = height(time) - top
        under if top - before > RISE_DB && UNDER_DB.cover?(under)
      end

      def alternates?(lag)
        once, twice = [lag, 2 * lag].map { |seconds| @features.echoes.at(seconds) }
        return false if once.empty? || twice.empty?

        once.zip(twice).count { |a, b| (a * b).negative? && [a.abs, b.abs].min > 3 } > once.size / 3
      end

      # Stretches from an onset to the next one, or to the end.
      def pauses = (@onsets + [@features.duration]).each_cons(2).select { |from, to| to - from > PAUSE_SECONDS }

      # Seconds for sixty dB, from the straight line through what falls steadily after the top.
      def fall(from, to)
        course = frames(from + MARGIN_SECONDS.first, [to - MARGIN_SECONDS.last, from + TAIL_SECONDS].min).to_a
        top = course.each_index.max_by { |i| course[i] }
        low = course.drop(top).each_cons(2).take_while { |a, b| b < a + 1.0 && b > course[top] - DEEPEST_DB }.size
        drop = course[top] - course[top + low]
        drop < FALL_DB ? nil : SIXTY * low / @rate / drop
      end
    end
  end
end
