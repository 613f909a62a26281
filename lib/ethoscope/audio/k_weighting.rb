# frozen_string_literal: true

module Ethoscope
  module Audio
    # The frequency weighting of ITU-R BS.1770-4: a high shelf for the head and a high-pass.
    module KWeighting
      # Coefficients for 48 kHz from the standard: numerator and denominator of both filters.
      SHELF = [[1.53512485958697, -2.69169618940638, 1.19839281085285], [1.0, -1.69065929318241, 0.73248077421585]].freeze
      HIGH_PASS = [[1.0, -2.0, 1.0], [1.0, -1.99004745483398, 0.99007225036621]].freeze
      RATE = 48_000

      # @param frequencies [Numo::DFloat] Hz
      # @return [Numo::DFloat] how much the power at each is multiplied
      def self.power_response(frequencies)
        omega = frequencies * (2 * Math::PI / RATE)
        [SHELF, HIGH_PASS].map { |above, below| biquad_power(omega, above) / biquad_power(omega, below) }.reduce(:*)
      end

      def self.biquad_power(omega, taps)
        real = taps[0] + (Numo::NMath.cos(omega) * taps[1]) + (Numo::NMath.cos(omega * 2) * taps[2])
        imaginary = (Numo::NMath.sin(omega) * taps[1]) + (Numo::NMath.sin(omega * 2) * taps[2])
        (real**2) + (imaginary**2)
      end
      private_class_method :biquad_power
    end
  end
end
