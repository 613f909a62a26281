# frozen_string_literal: true

module Ethoscope
  module Calculators
    # Where a layer can be cut below and above: an octave under the fundamental of its lowest note is empty, and a few octaves over its highest only air is
    # left. Frequencies by equal temperament (ISO 16). The way is our own.
    class CutPoints < Calculator
      ID = "cut_points"
      GROUP = "pitch"
      NAME = "Cut-off points of a layer"
      SENTENCE = "A layer from {lowest} to {highest}, with A4 at {a4} Hz."
      BLANKS = [Blank.new(name: :lowest, about: "Lowest note", kind: :note, usual: "E2"),
                Blank.new(name: :highest, about: "Highest note", kind: :note, usual: "C5"),
                Blanks::A4].freeze
      TOP = 20_000

      private

      def work
        low, high = given.values_at(:lowest, :highest).map { |pitch| NoteFrequency.hertz(pitch, given[:a4]) }
        raise Errors::Unfit, "the highest note lies under the lowest" if high < low

        Answer.start("Frequencies to 0.1 Hz, above 1 kHz to 1 Hz.")
              .line("Cut below", Figures.hertz(low / 2), "an octave under #{note_in(:lowest)}")
              .line("Close cut below", Figures.hertz(low * 0.84), "three semitones under it")
              .line("Cut above, dark", Figures.hertz([high * 2, TOP].min), "an octave over #{note_in(:highest)}")
              .line("Cut above, natural", Figures.hertz([high * 8, TOP].min), "three octaves over it")
              .line("Fundamentals", "#{Figures.hertz(low)} to #{Figures.hertz(high)}")
      end
    end
  end
end
