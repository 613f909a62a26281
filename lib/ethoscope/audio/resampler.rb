# frozen_string_literal: true

module Ethoscope
  module Audio
    # Halves a sampling rate with a half-band low-pass filter (windowed sinc; Oppenheim & Schafer,
    # "Discrete-Time Signal Processing", ch. 4 and 7). Every other tap is zero, so only the odd ones are computed.
    module Resampler
      # More taps sharpen the edge at a quarter of the old rate; 31 keep 9 kHz of 11 kHz.
      HALF_TAPS = 31

      # @param samples [Numo::SFloat] shape [n]
      # @return [Numo::SFloat] shape [ceil(n / 2)], every second sample of the filtered signal, without delay
      def self.halve(samples)
        even, odd = phases(samples)
        out = even * 0.5
        odd_taps.each do |offset, weight|
          shift = (offset - 1) / 2
          add_shifted(out, odd, shift, weight)
          add_shifted(out, odd, -shift - 1, weight)
        end
        out
      end

      def self.phases(samples)
        padded = samples.size.odd? ? samples.append(0.0) : samples
        pairs = padded.reshape(padded.size / 2, 2)
        [pairs[true, 0].dup, pairs[true, 1].dup]
      end
      private_class_method :phases

      # Odd taps at +offset; the filter is symmetric.
      def self.odd_taps
        (1..HALF_TAPS).step(2).map do |k|
          window = 0.5 + (0.5 * Math.cos(Math::PI * k / (HALF_TAPS + 1)))
          [k, Math.sin(Math::PI * k / 2) / (Math::PI * k) * window]
        end
      end
      private_class_method :odd_taps

      def self.add_shifted(out, source, shift, weight)
        n = out.size
        return if shift.abs >= n

        if shift >= 0
          out[0...(n - shift)] += source[shift...n] * weight
        else
          out[-shift...n] += source[0...(n + shift)] * weight
        end
      end
      private_class_method :add_shifted
    end
  end
end
