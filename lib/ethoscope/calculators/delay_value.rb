# frozen_string_literal: true

module Ethoscope
  module Calculators
    # The note value that a delay in ms comes nearest to, and how far off it is. The way is our own.
    class DelayValue < Calculator
      ID = "delay_value"
      GROUP = "time"
      NAME = "Which note value is this delay?"
      SENTENCE = "A delay of {ms} ms at {bpm} BPM."
      BLANKS = [Blank.new(name: :ms, about: "Delay", unit: "ms", among: 1..5000, usual: "375"), Blanks::BPM].freeze
      # A share of the note value that is heard as off.
      LOOSE = 0.03

      private

      def work
        seconds = given[:ms] / 1000
        (name, nearest), (second, next_best), = DelayTimes.table(given[:bpm]).sort_by { |_, time| Math.log(seconds / time).abs }
        off = (seconds / nearest) - 1
        Answer.start("Times to 0.1 ms.")
              .line("Nearest", name, "#{Figures.ms(nearest)}; this is #{Figures.signed(off * 100, 1)} %")
              .line("Then", second, Figures.ms(next_best))
              .line("Tempo at which it would be #{name}", "#{Figures.plain(given[:bpm] * nearest / seconds, 2)} BPM")
              .warn(off.abs > LOOSE, "It is no clean note value at this tempo: it may be free, or another tempo's.")
      end
    end
  end
end
