# frozen_string_literal: true

module Ethoscope
  module Calculators
    # Chords of one key in another: degrees stay, the nearest way up or down. Notes are spelled in the new key. The way is our own.
    class ChordsMoved < Calculator
      ID = "transpose_chords"
      GROUP = "pitch"
      NAME = "Chords in another key"
      SENTENCE = "The chords {chords} from {from} to {key}."
      BLANKS = [Blank.new(name: :chords, about: "Chords", kind: :chords, usual: "Fm7 Db Ab/C Eb"),
                Blank.new(name: :from, about: "Key that they are in", kind: :key, usual: "F minor"),
                Blank.new(name: :key, about: "Key that is wanted", kind: :key, usual: "A minor")].freeze

      private

      def work
        shift = KeyShift.nearest(given[:from], given[:key])
        Answer.start("Whole semitones.")
              .line("Chords", given[:chords].map { |chord| chord.transpose(shift, given[:key]).to_s }.join(" ")).line("Shift", Figures.shift(shift))
              .line("Degrees", given[:chords].map { |chord| chord.degree(given[:from]) || "N.C." }.join(" "), "the same in both")
              .warn(given[:from].mode != given[:key].mode, "The modes differ: chords keep their kind, so in #{Figures.key(given[:key])} some are borrowed.")
      end
    end
  end
end
