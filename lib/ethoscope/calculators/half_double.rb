# frozen_string_literal: true

module Ethoscope
  module Calculators
    # One groove counted several ways: half, double, and by triplets. The way is our own.
    class HalfDouble < Calculator
      ID = "half_double"
      GROUP = "time"
      NAME = "Half, double, three against two"
      SENTENCE = "A groove that one counts at {bpm} BPM."
      BLANKS = [Blanks::BPM].freeze
      # Where most people tap (around 120; after Parncutt, Music Perception 11, 1994).
      USUAL = (70..160)

      private

      def work
        { "Half" => 0.5, "Double" => 2.0, "Dotted beats" => 2 / 3.0, "Triplets as beats" => 1.5 }.reduce(Answer.start("Tempos to 0.01 BPM.")) do |answer, (name, factor)|
          bpm = given[:bpm] * factor
          answer.line(name, "#{Figures.plain(bpm, 2)} BPM", USUAL.cover?(bpm) ? "many would count it so" : "")
        end
      end
    end
  end
end
