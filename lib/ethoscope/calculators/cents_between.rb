# frozen_string_literal: true

module Ethoscope
  module Calculators
    # Cents between two frequencies, and the beating that both together make: 1200 · log2 (Ellis, in Helmholtz, "On the Sensations of Tone", 1885).
    class CentsBetween < Calculator
      ID = "cents"
      GROUP = "pitch"
      NAME = "Cents between two frequencies"
      SENTENCE = "From {low} Hz to {high} Hz are {cents} cents."
      BLANKS = [Blank.new(name: :low, about: "First frequency", unit: "Hz", among: 1..20_000, usual: "440", open: true),
                Blank.new(name: :high, about: "Second frequency", unit: "Hz", among: 1..20_000, usual: "443", open: true),
                Blank.new(name: :cents, about: "Cents", among: -12_000..12_000, open: true)].freeze

      private

      def work
        filled, from, to = solve
        Answer.start("Cents to 0.1, frequencies to 0.01 Hz.", filled)
              .line("Cents", Figures.signed(1200 * Math.log2(to / from), 1)).line("Shift", Figures.shift(12 * Math.log2(to / from)))
              .line("Both together beat", "#{Figures.fixed((to - from).abs, 2)} times a second").line("Ratio", Figures.fixed(to / from, 5))
      end

      def solve
        from, to, cents = given.values_at(:low, :high, :cents)
        case empty_one(:low, :high, :cents)
        when :cents then [{ cents: Figures.plain(1200 * Math.log2(to / from), 1) }, from, to]
        when :high then [{ high: Figures.plain(from * (2**(cents / 1200)), 2) }, from, from * (2**(cents / 1200))]
        else [{ low: Figures.plain(to / (2**(cents / 1200)), 2) }, to / (2**(cents / 1200)), to]
        end
      end
    end
  end
end
