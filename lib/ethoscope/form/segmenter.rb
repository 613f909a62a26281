# frozen_string_literal: true

module Ethoscope
  module Form
    # Cuts a song into runs of bars that sound alike: the cheapest partition by dynamic programming, with a prior on
    # lengths (after Jensen, "Multiple scale music segmentation", EURASIP 2007; length prior after Sargent, Bimbot &
    # Vincent, "Estimating the structural segmentation of popular music pieces under regularity constraints", TASLP 2017).
    class Segmenter
      LONGEST = 32
      # Price of one more section: larger values give fewer.
      BOUNDARY = 1.0
      # Extra price by length in bars; anything else pays by whether it is even.
      LENGTHS = { 8 => 0.0, 16 => 0.4, 4 => 1.0, 12 => 0.8, 24 => 1.5, 32 => 1.5, 6 => 2.6, 10 => 2.6, 14 => 2.6, 2 => 3.5, 20 => 1.6,
                  28 => 2.5 }.freeze
      ODD = 5.0
      EVEN = 3.2
      TIMBRE_WEIGHT = 1.0
      HARMONY_WEIGHT = 5.0
      # Mean squared length of a bar's timbre after scaling, against which a boundary is priced.
      UNIT = 2.5
      # Bars count as at most this many times farther from the mean than the middle bar.
      FARTHEST = 1.6
      # Harmony is compared over runs of this many bars, so that a loop does not look like change.
      CONTEXT = 4

      # @param features [BarFeatures]
      def initialize(features)
        @bars = features.size
        @timbre = scaled(features.timbre)
        @harmony = context(features.harmony)
      end

      # @return [Array<Range<Integer>>] bars from 0, end exclusive, in order and without gaps
      def sections
        best = [0.0]
        from = [nil]
        (1..@bars).each do |last|
          options = ([0, last - LONGEST].max...last).map { |first| [best[first] + cost(first, last), first] }
          price, first = options.min
          best << price
          from << first
        end
        unwind(from)
      end

      private

      def unwind(from)
        ranges = []
        last = @bars
        while last.positive?
          ranges.unshift(from[last]...last)
          last = from[last]
        end
        ranges
      end

      def cost(first, last)
        spread = (TIMBRE_WEIGHT * @timbre.call(first, last)) + (HARMONY_WEIGHT * @harmony.call(first, last))
        spread + BOUNDARY + length_price(last - first, last)
      end

      # The last section may be cut short by a fade.
      def length_price(bars, last)
        price = LENGTHS.fetch(bars) { bars.even? ? EVEN : ODD }
        last == @bars ? price / 2 : price
      end

      # Sum of squared distances from the mean of a run, in constant time by cumulative sums.
      def spread_of(rows)
        sums = Numo::DFloat.zeros(rows.shape[0] + 1, rows.shape[1])
        sums[1.., true] = rows.cumsum(0)
        squares = [0.0] + (rows**2).sum(axis: 1).cumsum.to_a
        lambda do |first, last|
          total = sums[last, true] - sums[first, true]
          squares[last] - squares[first] - ((total**2).sum / (last - first))
        end
      end

      # Columns are scaled half by their own spread and half by the common one, so that quiet registers neither shout nor
      # vanish; bars far from the middle are drawn in, so that one filtered section does not hide all other changes.
      def scaled(timbre)
        centred = timbre - timbre.mean(axis: 0, keepdims: true)
        spread = Numo::NMath.sqrt((centred**2).mean(axis: 0, keepdims: true))
        rows = draw_in(centred / ((spread + spread.mean) * 0.5).clip(1e-6, nil))
        spread_of(rows / [Math.sqrt((rows**2).mean * timbre.shape[1] / UNIT), 1e-6].max)
      end

      def draw_in(rows)
        length = Numo::NMath.sqrt((rows**2).sum(axis: 1, keepdims: true)).clip(1e-6, nil)
        middle = length.flatten.sort[length.size / 2]
        rows * ((length / middle).clip(nil, FARTHEST) * middle / length)
      end

      def context(harmony)
        folded = harmony.reshape(harmony.shape[0], harmony.shape[1] / 12, 12).mean(axis: 1)
        rows = (0...@bars).map do |bar|
          phrase = bar / CONTEXT * CONTEXT
          folded[phrase...[phrase + CONTEXT, @bars].min, true].mean(axis: 0)
        end
        spread_of(Numo::DFloat.vstack(rows))
      end
    end
  end
end
