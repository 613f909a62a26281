# frozen_string_literal: true

module Ethoscope
  module Calculators
    # A recording's tuning as cents and as the frequency of its A4 (ISO 16: 440 Hz), and what it may come from.
    class ConcertPitch < Calculator
      ID = "concert_pitch"
      GROUP = "pitch"
      NAME = "Tuning of the reference"
      SENTENCE = "A recording {cents} cents off A 440 has its A4 at {a4} Hz."
      BLANKS = [Blank.new(name: :cents, about: "Cents", among: -100..100, usual: "-14", open: true),
                Blank.new(name: :a4, about: "Concert pitch", unit: "Hz", among: 410..470, open: true)].freeze

      private

      def work
        cents = empty_one(:cents, :a4) == :a4 ? given[:cents] : 1200 * Math.log2(given[:a4] / 440)
        a4 = 440 * (2**(cents / 1200.0))
        Answer.start("Cents to 0.1, frequencies to 0.01 Hz.", given[:a4] ? { cents: Figures.plain(cents, 1) } : { a4: Figures.plain(a4, 2) })
              .line("A4", "#{Figures.fixed(a4, 2)} Hz")
              .line("Tune your instruments by", "#{Figures.signed(cents, 1)} cents")
              .line("Or the recording by", "#{Figures.signed(-cents, 1)} cents")
              .line("By speed that is", "#{Figures.signed(((2**(-cents / 1200.0)) - 1) * 100, 2)} %", "to bring it to A 440")
              .warn(cents.abs > 40, "Nearly a quarter tone off: it may have been sped up or slowed down as a whole.")
      end
    end
  end
end
