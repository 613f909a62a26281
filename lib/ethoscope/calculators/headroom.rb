# frozen_string_literal: true

module Ethoscope
  module Calculators
    # How much a mix can be raised before its peaks meet the ceiling, and how much they must be held for a wanted loudness (true peak and loudness after
    # ITU-R BS.1770-4).
    class Headroom < Calculator
      ID = "headroom"
      GROUP = "level"
      NAME = "Headroom"
      SENTENCE = "A mix at {lufs} LUFS with peaks of {peak} dBTP should reach {target} LUFS under a ceiling of {ceiling} dBTP."
      BLANKS = [Blank.new(name: :lufs, about: "Loudness", unit: "LUFS", among: -70..0, usual: "-18.5"),
                Blank.new(name: :peak, about: "True peak", unit: "dBTP", among: -60..6, usual: "-6.2"),
                Blank.new(name: :target, about: "Wanted loudness", unit: "LUFS", among: -70..0, usual: "-10"),
                Blank.new(name: :ceiling, about: "Ceiling", unit: "dBTP", among: -12..0, usual: "-1")].freeze

      private

      def work
        gain = given[:target] - given[:lufs]
        room = given[:ceiling] - given[:peak]
        over = [gain - room, 0].max
        Answer.start("Levels to 0.1 dB.")
              .line("Headroom", "#{Figures.signed(room, 1)} dB")
              .line("Loudest without limiting", "#{Figures.fixed(given[:lufs] + room, 1)} LUFS")
              .line("Gain to the target", "#{Figures.signed(gain, 1)} dB")
              .line("Peaks to be held by", "#{Figures.fixed(over, 1)} dB")
              .warn(over > 6, "More than 6 dB of limiting is heard: compress in the mix first.")
      end
    end
  end
end
