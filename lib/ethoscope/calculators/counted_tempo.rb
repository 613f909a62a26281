# frozen_string_literal: true

module Ethoscope
  module Calculators
    # The tempo from bars that were counted beside a stopwatch, with how far a finger may be off. Each press is taken to stray by a tenth of a second, so
    # both together by 0.14 s (errors add in squares). The way is our own.
    class CountedTempo < Calculator
      ID = "counted_tempo"
      GROUP = "time"
      NAME = "Tempo from bars counted"
      SENTENCE = "{beats} beats counted in {seconds} seconds."
      BLANKS = [Blank.new(name: :beats, about: "Beats", among: 1..4000, usual: "64"),
                Blank.new(name: :seconds, about: "Seconds", among: 1..1200, usual: "45.4")].freeze
      PRESS = 0.1

      private

      def work
        bpm = given[:beats] * 60 / given[:seconds]
        error = bpm * PRESS * Math.sqrt(2) / given[:seconds]
        Answer.start("Tempos to 0.01 BPM.")
              .line("Tempo", "#{Figures.fixed(bpm, 2)} BPM")
              .line("A finger's error", "±#{Figures.fixed(error, 2)} BPM")
              .line("Half and double", "#{Figures.fixed(bpm / 2, 2)} and #{Figures.fixed(bpm * 2, 2)} BPM")
              .line("Count on for", "#{(given[:beats] * error / 0.1).ceil} beats", "to know it to 0.1 BPM")
              .warn(error > 0.5, "Too short a count to tell half BPMs apart.")
      end
    end
  end
end
