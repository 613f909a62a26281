# frozen_string_literal: true

module Ethoscope
  module Stems
    # Where a stem stands between the channels, how wide it is, and whether it wanders. The method is our own.
    class Stereo
      # The range without stray moments.
      USUAL = (0.05..0.95)
      # Side shares under which a stem is mono, and from which it is wide.
      MONO = 0.004
      WIDE = 0.12
      # It wanders when its place moves this far (of 2, from left to right), and how regular that must be.
      WANDERS = 0.3
      REGULAR = 0.35
      # A sound that is moved stays one sound: both channels hold the same, whatever their levels (correlation).
      ONE_SOUND = 0.9
      ONE_SOUND_ANYWHERE = 0.98
      # Bars that one turn of a wandering sound may take.
      PERIODS = (0.5..8.0)

      # @param features [Engine::Features] of the stem
      # @param grid [Rhythm::BeatGrid] in the stem's time
      def initialize(features, grid)
        @field = features.field
        @grid = grid
        @left, @right, @product = [@field.left, @field.right, @field.product].map { |part| Numo::DFloat.cast(part.sum(axis: 1)) }
        @power = @left + @right
        @quiet = [@power.max * 1e-3, 1e-12].max
      end

      # @return [Array<Float, nil>] by bar, -1 left to 1 right; nil where it is silent
      def pans = bars { |frames| (@right[frames].sum - @left[frames].sum) / @power[frames].sum }

      # @return [Array<Float, nil>] by bar, the share of the side signal, 0 to 1
      def widths = bars { |frames| (@power[frames].sum - (2 * @product[frames].sum)) / (2 * @power[frames].sum) }

      # @return [Float] place over the whole song, -1 to 1
      def pan = ((@right.sum - @left.sum) / [@power.sum, 1e-12].max).round(2)

      # @return [Float] side share over the whole song
      def width = ((@power.sum - (2 * @product.sum)) / [2 * @power.sum, 1e-12].max).clamp(0.0, 1.0).round(3)

      # @return [String] "mono", "narrow" or "wide"
      def image
        return "mono" if width < MONO || likeness > ONE_SOUND_ANYWHERE

        width < WIDE ? "narrow" : "wide"
      end

      # @return [Hash, nil] range (0 to 2) and bars of one turn; nil when it stands still
      def motion
        sounding = @power > @quiet
        return nil if sounding.count_true < 16

        place = (@right - @left) / (@power + 1e-12)
        range = Signal::Series.percentile(place[sounding.where], USUAL.end) - Signal::Series.percentile(place[sounding.where], USUAL.begin)
        return nil if range < WANDERS || likeness < ONE_SOUND

        bars = period(place * Numo::DFloat.cast(sounding))
        bars && { range: range.round(2), bars: }
      end

      private

      # How far both channels hold the same sound, whatever its place: 1 for one sound, 0 for two.
      def likeness = @product.sum / [Numo::NMath.sqrt(@left * @right).sum, 1e-12].max

      def bars
        @grid.bar_edges.each_cons(2).map do |from, to|
          frames = @field.frames(from, to)
          @power[frames].mean > @quiet && to.positive? ? yield(frames).clamp(-1.0, 1.0).round(3) : nil
        end
      end

      def period(place)
        bar = (@grid.bar_edges.last - @grid.bar_edges.first) / @grid.bars / @field.hop_seconds
        longest = [(PERIODS.end * bar).round, place.size / 2].min
        curve = Signal::Series.autocorrelation(place - place.mean, longest + 1).to_a
        top = Signal::Series.peaks(curve).select { |lag| lag >= PERIODS.begin * bar }.max_by { |lag| curve[lag] }
        top && curve[top] > REGULAR ? (top / bar).round(2) : nil
      end
    end
  end
end
