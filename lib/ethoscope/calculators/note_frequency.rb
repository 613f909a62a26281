# frozen_string_literal: true

module Ethoscope
  module Calculators
    # Notes and frequencies: f = A4 · 2^((pitch − 69) / 12) (equal temperament over ISO 16's A4).
    class NoteFrequency < Calculator
      ID = "note_frequency"
      GROUP = "pitch"
      NAME = "Notes and frequencies"
      SENTENCE = "The note {note} is {hertz} Hz, with A4 at {a4} Hz."
      BLANKS = [Blank.new(name: :note, about: "Note", kind: :note, usual: "A1", open: true),
                Blank.new(name: :hertz, about: "Frequency", unit: "Hz", among: 8..20_000, open: true),
                Blanks::A4].freeze
      A4_PITCH = 69

      # @param pitch [Numeric] MIDI pitch
      # @param reference [Numeric] Hz of A4
      # @return [Float] Hz
      def self.hertz(pitch, reference = 440.0) = reference * (2.0**((pitch - A4_PITCH) / 12.0))

      # @param hertz [Numeric]
      # @param reference [Numeric] Hz of A4
      # @return [Float] MIDI pitch, with its fraction
      def self.pitch(hertz, reference = 440.0) = A4_PITCH + (12 * Math.log2(hertz / reference))

      private

      def work
        exact = empty_one(:note, :hertz) == :hertz ? given[:note] : self.class.pitch(given[:hertz], given[:a4])
        note = exact.round.clamp(0, 127)
        hertz = self.class.hertz(exact, given[:a4])
        filled = given[:note] ? { hertz: Figures.plain(hertz, 2) } : { note: Figures.note(note) }
        Answer.start("Frequencies to 0.01 Hz, pitch to a cent.", filled)
              .line("Note", given[:note] ? note_in(:note) : Figures.note(note), "MIDI #{note}")
              .line("Frequency", "#{Figures.fixed(hertz, 2)} Hz")
              .line("Off the note", "#{Figures.signed((exact - note) * 100)} cents")
              .line("Octave below", Figures.hertz(hertz / 2)).line("Octave above", Figures.hertz(hertz * 2)).line("A period", Figures.ms(1 / hertz))
      end
    end
  end
end
