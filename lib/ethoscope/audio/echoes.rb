# frozen_string_literal: true

module Ethoscope
  module Audio
    # What comes back on one side only: the cross-correlation of the middle with the side signal, its part that is not the same
    # forwards and backwards. Whatever merely repeats does so both ways; an echo comes after its sound. Negative where what was heard
    # in the middle follows on the right, positive where on the left.
    #
    # Spectra are whitened before (generalised cross-correlation with phase transform, Knapp & Carter, IEEE TASSP 1976).
    class Echoes
      # Samples of a block at a quarter of the recording's rate, about six seconds.
      BLOCK = 1 << 16
      LONGEST = 1.3
      # Neighbouring lags that are kept as one, by the strongest.
      POOL = 8
      # Bins over which spectra are levelled.
      WHITENING = 128
      # A block is padded with more zeros than the longest lag has samples, so that its end does not wrap onto its start.
      PADDED = 5 << 14

      # @return [Numo::SFloat] shape [blocks, lags], in deviations of the block; no rows for mono
      attr_reader :curves
      # @return [Float] seconds between blocks
      attr_reader :block_seconds
      # @return [Float] seconds between lags
      attr_reader :lag_seconds

      # @param recording [Recording]
      # @param middle [Numo::SFloat] its mono signal at half its rate
      # @return [Echoes]
      def self.of(recording, middle)
        rate = recording.rate / 4.0
        side = recording.side if recording.stereo?
        curves = side && side.peak > 1e-4 ? measure(Resampler.halve(middle), Resampler.quarter(side), (LONGEST * rate).round / POOL) : Numo::SFloat.zeros(0, 0)
        new(curves:, block_seconds: BLOCK / rate, lag_seconds: POOL / rate)
      end

      # @param attributes [Hash] curves, block_seconds, lag_seconds
      def initialize(curves:, block_seconds:, lag_seconds:)
        @curves = curves
        @block_seconds = block_seconds
        @lag_seconds = lag_seconds
        freeze
      end

      # @param lag [Float] seconds
      # @return [Array<Float>] for each block the strongest value around that lag, with its sign; empty for mono
      def at(lag)
        near = around(lag) or return []
        near.to_a.map { |values| values.max_by(&:abs) }
      end

      # @param from [Float] seconds
      # @param to [Float] seconds
      # @param lag [Float] seconds
      # @return [Float, nil] the strongest value around that lag, with its sign, of the mean over the blocks between, in deviations of that mean; nil for mono and past
      #   the longest lag
      def over(from, to, lag)
        near = around(lag) or return nil
        first = (from / block_seconds).round.clamp(0, near.shape[0] - 1)
        last = (to / block_seconds).round.clamp(first + 1, near.shape[0])
        (near[first...last, true].mean(axis: 0) * Math.sqrt(last - first)).to_a.max_by(&:abs)
      end

      def self.measure(middle, side, lags)
        blocks = [(middle.size.to_f / BLOCK).ceil, 1].max
        out = Numo::SFloat.zeros(blocks, lags)
        blocks.times do |block|
          curve = correlation(*[middle, side].map { |samples| spectrum(samples, block) })
          out[block, true] = pooled(curve[1..(lags * POOL)] - curve[-(lags * POOL)..].reverse)
        end
        out
      end
      private_class_method :measure

      # Over all lags; the highest bin is left out.
      def self.correlation(one, other)
        level = levelled(one)
        whitened = Numo::DComplex.zeros((PADDED / 2) + 1)
        whitened[0...(PADDED / 2)] = one.conj * other / Numo::NMath.sqrt((level * (level + levelled(other))) + 1e-9)
        Numo::Pocketfft.irfft(whitened)
      end
      private_class_method :correlation

      def self.spectrum(samples, block)
        Signal::Padded.spectrum(samples[(block * BLOCK)...[(block + 1) * BLOCK, samples.size].min], PADDED)[0...(PADDED / 2)]
      end
      private_class_method :spectrum

      # Mean power of each run of bins, for each of them.
      def self.levelled(spectrum)
        runs = Signal::Frames.power(spectrum).reshape(spectrum.size / WHITENING, WHITENING)
        (runs.mean(axis: 1).expand_dims(1) * Numo::DFloat.ones(1, WHITENING)).flatten
      end
      private_class_method :levelled

      def self.pooled(curve)
        deviation = Math.sqrt((curve**2).mean)
        rows = curve.reshape(curve.size / POOL, POOL)
        high = rows.max(axis: 1)
        low = rows.min(axis: 1)
        up = Numo::DFloat.cast(high > low * -1)
        ((high * up) + (low * (1 - up))) / [deviation, 1e-9].max
      end
      private_class_method :pooled

      private

      # Shape [blocks, 3]; nil for mono and past the longest lag.
      def around(lag)
        place = (lag / lag_seconds).round - 1
        curves.empty? || place < 1 || place + 1 >= curves.shape[1] ? nil : curves[true, (place - 1)..(place + 1)]
      end
    end
  end
end
