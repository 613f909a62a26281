# frozen_string_literal: true

module Ethoscope
  module Calculators
    # The tempo of a loop from its length, with what another count of bars would make it. A beat is 60 / BPM seconds. The way is our own.
    class LoopTempo < Calculator
      ID = "loop_tempo"
      GROUP = "time"
      NAME = "Tempo from a loop's length"
      SENTENCE = "A loop of {bars} bars of {meter} that lasts {seconds} seconds."
      BLANKS = [Blank.new(name: :bars, about: "Bars", among: 0.25..64, usual: "4"),
                Blanks::METER,
                Blank.new(name: :seconds, about: "Seconds", among: 0.2..600, usual: "11.36")].freeze
      # How exactly a length that is written with so many figures is known.
      CLOSE = 0.005

      private

      def work
        bpm = given[:bars] * Rhythm::Meter.named(given[:meter]).beats * 60 / given[:seconds]
        Answer.start("Tempos to 0.01 BPM.")
              .line("Tempo", "#{Figures.fixed(bpm, 2)} BPM")
              .line("If it is half as many bars", "#{Figures.fixed(bpm / 2, 2)} BPM")
              .line("If it is twice as many", "#{Figures.fixed(bpm * 2, 2)} BPM")
              .line("Nearest half BPM", "#{Figures.plain((bpm * 2).round / 2.0, 1)} BPM", "lasts #{Figures.fixed(given[:seconds] * bpm / ((bpm * 2).round / 2.0), 3)} s")
              .line("5 ms more or less", "±#{Figures.fixed(bpm * CLOSE / given[:seconds], 2)} BPM", "so exactly it is known")
              .warn(!Blanks::TEMPI.cover?(bpm), "No tempo lies there: count the bars again.")
      end
    end
  end
end
