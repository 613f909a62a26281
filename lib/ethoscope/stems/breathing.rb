# frozen_string_literal: true

module Ethoscope
  module Stems
    # How the level of a held sound moves with the beat: ducked where another part strikes, or gated at a faster rate. The method is our own.
    class Breathing
      # Hertz above what a kick itself sounds in.
      RANGE = (120.0..8000.0)
      # Beats count in which the part plays all the time.
      PLAYS = 0.9
      # A level that comes back may waver by so much, dB ...
      WAVER = 0.2
      # ... and rises for this share of the way.
      RISING = 0.8
      # A gate is deeper than so many dB, and changes by so much of its depth.
      DEEP_DB = 5.0
      EVEN = 0.8
      # Points of a fold over one beat.
      BINS = 24
      # A held sound dips at least this far, in dB, and this much of its movement repeats from beat to beat.
      DEPTH = 2.0
      REGULAR = 0.45
      # The lowest point lies in this part of the beat, counted from its start, and the level climbs to the other part.
      DIP = (0..5)
      HIGH = (12..23)
      # Parts of a beat at which a gate opens.
      RATES = [2, 3, 4, 6, 8].freeze

      # @param features [Engine::Features] of the stem
      # @param grid [Rhythm::BeatGrid] in the stem's time
      # @param playing [Array<Float>] how much of each beat sounds
      # @param range [Range<Float>] Hz that are looked at
      def initialize(features, grid, playing, range: RANGE)
        level = features.short.level(range)
        db = Numo::NMath.log10((level / [level.max, 1e-9].max) + 1e-3) * 20
        at = grid.edges[grid.pickup..].each_cons(2).first(playing.size).flat_map { |from, to| (0...BINS).map { |i| from + ((to - from) * i / BINS) } }
        @rows = Signal::Series.sample(db, Numo::DFloat[*at] * features.short.rate).reshape(playing.size, BINS)
        @playing = playing
        @bar = grid.meter.beats
      end

      # @param beats [Range<Integer>] of the whole bars, from 0
      # @return [Hash, nil] depth_db, rate ("quarter"), share of regular movement; nil when it does not pump there
      def pumping(beats = (0...@playing.size))
        rows = held(beats) or return nil
        fold = rows.mean(axis: 0)
        depth = fold[HIGH].max - fold[DIP].min
        return nil unless depth >= DEPTH && fold.min_index <= DIP.end && climbs?(fold)

        regular = (fold - fold.mean).then { |course| (course**2).mean } / [((rows - rows.mean(axis: 1, keepdims: true))**2).mean, 1e-9].max
        regular >= REGULAR ? { depth_db: depth.round(1), rate: "quarter", regular: regular.round(2) } : nil
      end

      # @return [Hash, nil] steps in a beat and depth_db; nil when it is not chopped
      def gating
        rows = held(0...@playing.size) or return nil
        fold = rows.mean(axis: 0)
        steps = RATES.reverse.find { |rate| (BINS % rate).zero? && chopped?(fold, rate) }
        steps && { steps:, depth_db: (fold.max - fold.min).round(1) }
      end

      private

      # Beats that sound throughout, from their first to their last moment.
      def held(beats)
        kept = beats.select { |beat| @playing[beat] && @playing[beat] > PLAYS }
        kept.size >= 2 * @bar ? @rows[kept, true] : nil
      end

      def climbs?(fold)
        low = fold.min_index
        course = fold[low..[low + 14, BINS - 1].min].to_a
        course.each_cons(2).count { |a, b| b >= a - WAVER } >= (course.size - 1) * RISING
      end

      def chopped?(fold, rate)
        parts = fold.reshape(rate, BINS / rate)
        deep = parts.max(axis: 1) - parts.min(axis: 1)
        shape = parts.mean(axis: 0)
        deep.min > DEEP_DB && (shape.max - shape.min) > deep.mean * EVEN
      end
    end
  end
end
