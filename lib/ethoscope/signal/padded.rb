# frozen_string_literal: true

module Ethoscope
  module Signal
    # Fourier transforms of series that are filled up with zeros to a power of two, so that correlations by them do not run round the end
    # (Press et al., "Numerical Recipes", 3rd ed., ch. 13.1).
    module Padded
      # @param length [Integer]
      # @return [Integer] the smallest power of two that is not less
      def self.size(length)
        size = 1
        size *= 2 while size < length
        size
      end

      # @param series [Numo::NArray] shape [n]
      # @param size [Integer] n or more
      # @return [Numo::DComplex] shape [size / 2 + 1]
      def self.spectrum(series, size)
        padded = Numo::DFloat.zeros(size)
        padded[0...series.size] = series
        Numo::Pocketfft.rfft(padded)
      end

      # @param spectrum [Numo::NArray] complex or real, shape [size / 2 + 1]
      # @return [Numo::DFloat] shape [size]
      def self.series(spectrum) = Numo::Pocketfft.irfft(Numo::DComplex.cast(spectrum))
    end
  end
end
