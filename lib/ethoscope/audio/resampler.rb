# frozen_string_literal: true

module Ethoscope
  module Audio
    # Halves a sampling rate: blocks are low-passed and shortened in the frequency domain, and joined where they overlap
    # (overlap-save; Oppenheim & Schafer, "Discrete-Time Signal Processing", ch. 8).
    module Resampler
      BLOCK = 1 << 16
      # Samples at both ends of a block that are thrown away; longer than the filter rings.
      EDGE = 512
      # The filter falls between these shares of the new rate's half.
      FALL = (0.86..1.0)

      # @param samples [Numo::SFloat] shape [n]
      # @return [Numo::SFloat] shape [ceil(n / 2)], every second sample of the filtered signal, without delay
      def self.halve(samples)
        step = BLOCK - (2 * EDGE)
        out = Numo::SFloat.zeros((samples.size / 2.0).ceil)
        (0...samples.size).step(step) do |start|
          kept = halved(block(samples, start - EDGE))[(EDGE / 2)...((EDGE + step) / 2)]
          count = [kept.size, out.size - (start / 2)].min
          out[(start / 2)...((start / 2) + count)] = kept[0...count]
        end
        out
      end

      # The stretch that begins at a sample, with zeros outside the recording.
      def self.block(samples, first)
        out = Numo::SFloat.zeros(BLOCK)
        from = [first, 0].max
        to = [first + BLOCK, samples.size].min
        out[(from - first)...(to - first)] = samples[from...to]
        out
      end
      private_class_method :block

      def self.halved(block)
        spectrum = Numo::Pocketfft.rfft(block)[0..(BLOCK / 4)].dup
        Numo::SFloat.cast(Numo::Pocketfft.irfft(spectrum * response)) * 0.5
      end
      private_class_method :halved

      def self.response
        place = Numo::DFloat.new((BLOCK / 4) + 1).seq / (BLOCK / 4)
        share = ((place - FALL.begin) / (FALL.end - FALL.begin)).clip(0, 1)
        (Numo::NMath.cos(share * Math::PI) * 0.5) + 0.5
      end
      private_class_method :response
    end
  end
end
