# frozen_string_literal: true

module Ethoscope
  module Audio
    # Halves or quarters a sampling rate: blocks are low-passed and shortened in the frequency domain, and joined where they overlap
    # (overlap-save; Oppenheim & Schafer, "Discrete-Time Signal Processing", ch. 8).
    module Resampler
      BLOCK = 1 << 16
      # Samples of the new rate at both ends of a block that are thrown away; longer than the filter rings.
      EDGE = 256
      # The filter falls between these shares of the new rate's half.
      FALL = (0.86..1.0)

      # @param samples [Numo::SFloat, OneChannel] shape [n]
      # @return [Numo::SFloat] shape [ceil(n / 2)], every second sample of the filtered signal, without delay
      def self.halve(samples) = reduced(samples, 2)

      # @param samples [Numo::SFloat, OneChannel] shape [n]
      # @return [Numo::SFloat] shape [ceil(n / 4)], every fourth sample of the filtered signal, without delay
      def self.quarter(samples) = reduced(samples, 4)

      def self.reduced(samples, factor)
        size = (BLOCK / factor) - (2 * EDGE)
        out = Numo::SFloat.zeros((samples.size / factor.to_f).ceil)
        filter = response(factor)
        (0...out.size).step(size) do |start|
          kept = lowered(Signal::Frames.cut(samples, (start - EDGE) * factor, BLOCK), filter)[EDGE...(EDGE + size)]
          count = [size, out.size - start].min
          out[start...(start + count)] = kept[0...count]
        end
        out
      end
      private_class_method :reduced

      def self.lowered(block, filter)
        spectrum = Numo::Pocketfft.rfft(block)[0...filter.size].dup
        Numo::SFloat.cast(Numo::Pocketfft.irfft(spectrum * filter))
      end
      private_class_method :lowered

      # What is left of each frequency up to the new rate's half, and how much shorter a block becomes.
      def self.response(factor)
        bins = BLOCK / (2 * factor)
        place = Numo::DFloat.new(bins + 1).seq / bins
        share = ((place - FALL.begin) / (FALL.end - FALL.begin)).clip(0, 1)
        ((Numo::NMath.cos(share * Math::PI) * 0.5) + 0.5) / factor
      end
      private_class_method :response
    end
  end
end
