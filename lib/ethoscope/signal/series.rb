# frozen_string_literal: true

module Ethoscope
  module Signal
    # Small operations on one-dimensional series. The method is our own.
    module Series
      # @param series [Numo::NArray] shape [n]
      # @param width [Integer] how many values the window spans
      # @return [Numo::DFloat] shape [n], centred running mean, narrower at the ends
      def self.running_mean(series, width)
        n = series.size
        sums = Numo::DFloat.zeros(n + 1)
        sums[1..] = Numo::DFloat.cast(series).cumsum
        index = Numo::Int32.new(n).seq
        low = (index - (width / 2)).clip(0, n)
        high = (index + (width / 2) + 1).clip(0, n)
        (sums[high] - sums[low]) / (high - low)
      end

      # @param values [Numo::NArray] shape [n]
      # @param share [Float] 0 to 1
      # @return [Float] the value under which that share of all values lies
      def self.percentile(values, share) = values.sort[((values.size - 1) * share).round]

      # @param series [Numo::NArray] shape [n]
      # @param at [Numo::DFloat] shape [m], fractional positions; those outside read the nearest end
      # @return [Numo::DFloat] shape [m], linear interpolation
      def self.sample(series, at) = Interpolation.new(series.size, at).of(series)

      # @param from [Float] seconds
      # @param to [Float] seconds
      # @param rate [Float] frames per second
      # @param size [Integer] number of frames
      # @return [Range<Integer>] the frames between, at least one, none outside the series
      def self.frames(from, to, rate, size)
        first = (from * rate).round.clamp(0, size - 1)
        first...(to * rate).round.clamp(first + 1, size)
      end

      # @param series [Numo::NArray] shape [n]
      # @param reach [Integer] how far to both sides to look
      # @return [Numo::NArray] shape [n], the largest neighbour
      def self.running_max(series, reach)
        out = series.dup
        (1..reach).each do |k|
          break if k >= series.size

          out[k..] = series.class.maximum(out[k..], series[0...-k])
          out[0...-k] = series.class.maximum(out[0...-k], series[k..])
        end
        out
      end

      # @param series [Array<Float>]
      # @return [Array<Integer>] indices of values larger than both neighbours
      def self.peaks(series)
        (1...(series.size - 1)).select { |i| series[i] > series[i - 1] && series[i] >= series[i + 1] }
      end

      # @param series [Numo::NArray] shape [n]
      # @return [Numo::DFloat] shape [n], mean 0 and deviation 1; zeros when nothing varies
      def self.standardize(series)
        series = Numo::DFloat.cast(series)
        centred = series - series.mean
        spread = Math.sqrt((centred**2).mean)
        spread > 1e-9 ? centred / spread : centred * 0
      end

      # @param series [Numo::NArray] shape [n]
      # @param lags [Integer] how many lags, the first being 0
      # @return [Numo::DFloat] shape [lags], autocorrelation by the Wiener-Khinchin theorem, 1 at lag 0, not corrected for overlap
      def self.autocorrelation(series, lags)
        power = Padded.spectrum(series, Padded.size(series.size + lags)).abs**2
        out = Padded.series(power)[0...lags].dup
        out[0].positive? ? out / out[0] : out
      end
    end
  end
end
