# frozen_string_literal: true

module Ethoscope
  module Calculators
    # How far a rounded tempo strays from the true one over a song: 0.2 BPM off is more than half a beat after three minutes. The way is our own.
    class RoundingDrift < Calculator
      ID = "rounding_drift"
      GROUP = "time"
      NAME = "What a rounded tempo costs"
      SENTENCE = "The song is at {bpm} BPM, the session at {rounded} BPM, for {minutes} minutes."
      BLANKS = [Blank.new(name: :bpm, about: "Tempo of the song", among: Blanks::TEMPI, usual: "84.47"),
                Blank.new(name: :rounded, about: "Tempo of the session", among: Blanks::TEMPI, usual: "84.5"),
                Blank.new(name: :minutes, about: "Minutes", among: 0.1..60, usual: "3")].freeze
      # Off by so much, two strokes are heard as two.
      HEARD = 0.02

      private

      def work
        beats = given[:bpm] * given[:minutes]
        off = beats * ((60 / given[:rounded]) - (60 / given[:bpm]))
        Answer.start("Times to 0.1 ms, beats to 0.01.")
              .line("At the end", "#{Figures.signed(off * 1000, 1)} ms", off.negative? ? "the session is early" : "the session is late")
              .line("In beats", Figures.signed(off * given[:bpm] / 60, 2))
              .line("Heard as two strokes after", off.zero? ? "never" : Figures.clock(HEARD / off.abs * given[:minutes] * 60), "20 ms apart")
              .warn(off.abs > HEARD, "Strokes of both will flam before the end: set the session to #{Figures.plain(given[:bpm], 2)} BPM.")
      end
    end
  end
end
