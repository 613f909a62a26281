# frozen_string_literal: true

module Ethoscope
  module Calculators
    # The gain that makes two mixes equally loud for a fair comparison: on the louder one, down (loudness after ITU-R BS.1770-4).
    class LoudnessMatch < Calculator
      ID = "loudness_match"
      GROUP = "level"
      NAME = "Equally loud for a fair comparison"
      SENTENCE = "One mix at {first} LUFS beside another at {second} LUFS."
      BLANKS = [Blank.new(name: :first, about: "Loudness of the first", unit: "LUFS", among: -70..0, usual: "-9.2"),
                Blank.new(name: :second, about: "Loudness of the second", unit: "LUFS", among: -70..0, usual: "-14.1")].freeze

      private

      def work
        gap = given[:first] - given[:second]
        louder = gap.positive? ? "first" : "second"
        Answer.start("Levels to 0.1 dB.")
              .line("Apart by", "#{Figures.fixed(gap.abs, 1)} LU")
              .line("Gain on the #{louder}", "#{Figures.signed(-gap.abs, 1)} dB")
              .line("As a factor", Figures.fixed(10**(-gap.abs / 20), 3))
              .warn(gap.abs > 1, "As they are, the #{louder} will seem better for being louder.")
      end
    end
  end
end
