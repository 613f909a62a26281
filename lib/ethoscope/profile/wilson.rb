# frozen_string_literal: true

module Ethoscope
  module Profile
    # In which interval a share lies of which only a few were seen (E. B. Wilson, "Probable inference, the law of succession, and statistical inference", Journal
    # of the American Statistical Association 22, 1927).
    module Wilson
      # Of a normal distribution: 95 of 100 lie within.
      Z = 1.96

      # @param n [Numeric] of them
      # @param m [Numeric] in all
      # @return [Array(Float, Float)]
      def self.interval(n, m)
        return [0.0, 1.0] unless m.positive?

        share = n / m.to_f
        middle = (share + ((Z**2) / (2 * m))) / (1 + ((Z**2) / m))
        half = Z * Math.sqrt((share * (1 - share) / m) + ((Z**2) / (4 * m * m))) / (1 + ((Z**2) / m))
        [(middle - half).clamp(0, 1).round(3), (middle + half).clamp(0, 1).round(3)]
      end
    end
  end
end
