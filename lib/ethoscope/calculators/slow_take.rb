# frozen_string_literal: true

module Ethoscope
  module Calculators
    # Make it slow, play it fast: written at one tempo, used at another by speed alone; what becomes of key and length, and in which key to write so that the
    # wanted one comes out. Twelve semitones double the frequency. The way is our own.
    class SlowTake < Calculator
      ID = "slow_take"
      GROUP = "slow"
      NAME = "Make it slow, play it fast"
      SENTENCE = "Written at {from_bpm} BPM in {key}, used at {bpm} BPM; it is {bars} bars of {meter} long, and {wanted} is wanted in the end."
      BLANKS = [Blank.new(name: :from_bpm, about: "Tempo in which it is written", among: Blanks::TEMPI, usual: "70"), Blanks::KEY,
                Blank.new(name: :bpm, about: "Tempo in which it is used", among: Blanks::TEMPI, usual: "92"),
                Blank.new(name: :bars, about: "Bars", kind: :whole, among: 1..999, usual: "8"), Blanks::METER,
                Blank.new(name: :wanted, about: "Key that is wanted", kind: :key, usual: "C major")].freeze

      private

      def work
        answer = Answer.start("Lengths to 0.01 s, shifts to a cent.")
                       .heard(given[:bpm] / given[:from_bpm], shift)
                       .line("It sounds", Figures.shift(shift), "higher than played where positive")
                       .line("Key after it", Figures.key(given[:key].transpose(whole)), off)
        back(lengths(answer)).warn(cents.abs > 8, "It comes out #{off}: instruments that are added later have to be tuned to it.")
      end

      def lengths(answer)
        answer.line("Length as written", "#{Figures.fixed(length(given[:from_bpm]), 2)} s").line("Length as used", "#{Figures.fixed(length(given[:bpm]), 2)} s")
      end

      def back(answer)
        wanted = given[:wanted]
        answer.line("To come out in #{Figures.key(wanted)}", "write in #{Figures.key(wanted.transpose(-whole))}", cents.zero? ? "" : "tuned #{Figures.signed(-cents)} cents")
              .line("Clean tempo for whole semitones", "#{Figures.plain(given[:bpm] / Varispeed.ratio(whole), 2)} BPM", "written so, it lands on the note")
              .line("Back", Figures.shift(-shift), "from #{Figures.plain(given[:bpm], 2)} to #{Figures.plain(given[:from_bpm], 2)} BPM")
      end

      def shift = Varispeed.semitones(given[:bpm] / given[:from_bpm])

      def whole = shift.round

      def cents = ((shift - whole) * 100).round

      def off
        if cents.zero?
          "in tune"
        else
          "#{cents.abs} cents #{cents.positive? ? "sharp" : "flat"}"
        end
      end

      def length(bpm) = given[:bars] * Rhythm::Meter.named(given[:meter]).beats * 60 / bpm
    end
  end
end
