# frozen_string_literal: true

module Ethoscope
  module Calculators
    # Velocities as level: 40 · log10(velocity / 127) dB (General MIDI 2's recommended response; instruments differ).
    class VelocitySteps < Calculator
      ID = "velocity"
      GROUP = "level"
      NAME = "Velocities and dB"
      SENTENCE = "A stroke of velocity {velocity} beside one of {other} is {db} dB apart."
      BLANKS = [Blank.new(name: :velocity, about: "Velocity", kind: :whole, among: 1..127, usual: "100"),
                Blank.new(name: :other, about: "Other velocity", kind: :whole, among: 1..127, usual: "70", open: true),
                Blank.new(name: :db, about: "Decibels", unit: "dB", among: -80..80, open: true)].freeze
      LOUDEST = 127

      private

      def work
        apart = empty_one(:other, :db) == :db ? level(given[:other]) - level(given[:velocity]) : given[:db]
        other = given[:other] || (given[:velocity] * (10**(apart / 40))).round
        raise Errors::Unfit, "no velocity is #{Figures.signed(apart, 1)} dB from #{given[:velocity]}" unless (1..LOUDEST).cover?(other)

        told(other, given[:other] ? { db: Figures.plain(apart, 1) } : { other: other.to_s })
      end

      def told(other, filled)
        Answer.start("Levels to 0.1 dB, velocities to whole ones.", filled)
              .line("Apart by", "#{Figures.signed(level(other) - level(given[:velocity]), 1)} dB")
              .line("#{given[:velocity]} is", "#{Figures.fixed(level(given[:velocity]), 1)} dB", "below the hardest stroke where negative")
              .line("#{other} is", "#{Figures.fixed(level(other), 1)} dB")
              .warn(true, "Instruments answer velocity in their own ways; this is the response that General MIDI 2 recommends.")
      end

      def level(velocity) = 40 * Math.log10(velocity / LOUDEST.to_f)
    end
  end
end
