# frozen_string_literal: true

module Ethoscope
  module Form
    # Cuts a song into sections: the likeliest set of boundaries by dynamic programming, with a prior on lengths (length prior after
    # Sargent, Bimbot & Vincent, "Estimating the structural segmentation of popular music pieces under regularity
    # constraints", TASLP 2017).
    class Segmenter
      LONGEST = 32
      # Price by length in bars, in natural log units; anything else pays by whether it is even.
      LENGTHS = { 8 => 0.0, 16 => 0.6, 4 => 0.5, 12 => 1.6, 24 => 2.6, 32 => 2.6, 6 => 2.6, 10 => 2.8, 14 => 3.2, 20 => 2.8, 28 => 3.2,
                  1 => 14.0, 2 => 7.0, 3 => 11.0 }.freeze
      ODD = 4.2
      EVEN = 3.4
      # Weight of the prior against the evidence, and price of one boundary more: less than none, since one that is missed spoils two sections and one too many
      # spoils only one.
      PRIOR = 0.8
      BOUNDARY = -1.4

      # @param rows [Numo::DFloat] shape [bars - 1, BoundaryFeatures::NAMES]
      # @param bars [Integer]
      # @param model [BoundaryModel]
      def initialize(rows, bars, model: BoundaryModel.shipped)
        @bars = bars
        @log_odds = bars > 1 ? model.log_odds(rows).to_a : []
      end

      # @return [Array<Float>] for each bar how likely it is that a section begins with it, 0 to 1; the first bar has nothing before it
      def novelty = [0.0, *@log_odds.map { |odds| (1 / (1 + Math.exp(-odds))).round(3) }].first(@bars)

      # @return [Array<Range<Integer>>] bars from 0, end exclusive, in order and without gaps
      def sections
        best = [0.0]
        from = [nil]
        (1..@bars).each do |last|
          score, first = ([0, last - LONGEST].max...last).map { |first| [best[first] - price(last - first, last), first] }.max
          best << (score + gain(last))
          from << first
        end
        unwind(from)
      end

      # @param range [Range<Integer>] a section
      # @return [Float] how likely it is that it starts where it does; the first one always does
      def confidence(range) = range.begin.zero? ? 1.0 : (1 / (1 + Math.exp(-@log_odds[range.begin - 1])))

      private

      def gain(bar) = bar == @bars ? 0.0 : @log_odds[bar - 1] - BOUNDARY

      # The last section may be cut short by a fade.
      def price(bars, last)
        price = PRIOR * LENGTHS.fetch(bars) { bars.even? ? EVEN : ODD }
        last == @bars ? price / 2 : price
      end

      def unwind(from)
        ranges = []
        last = @bars
        while last.positive?
          ranges.unshift(from[last]...last)
          last = from[last]
        end
        ranges
      end
    end
  end
end
