# frozen_string_literal: true

module Ethoscope
  module Calculators
    # The sub an octave or two under a note, and whether speakers carry it. Frequencies by equal temperament (ISO 16); the limits are of small and of
    # full-range speakers in common use. The way is our own.
    class SubRoot < Calculator
      ID = "sub_octave"
      GROUP = "pitch"
      NAME = "A sub that carries"
      SENTENCE = "The sub under {note}, for a system that goes down to {floor} Hz, with A4 at {a4} Hz."
      BLANKS = [Blank.new(name: :note, about: "Note", kind: :note, usual: "F2"),
                Blank.new(name: :floor, about: "What the system carries", unit: "Hz", among: 15..120, usual: "38"),
                Blanks::A4].freeze

      private

      def work
        octaves = [0, 12, 24].map { |down| given[:note] - down }.reject(&:negative?)
        carried = octaves.reverse.find { |pitch| NoteFrequency.hertz(pitch, given[:a4]) >= given[:floor] }
        answer = Answer.start("Frequencies to 0.1 Hz.")
                       .line("Lowest that it carries", carried ? "#{named(carried)}, #{Figures.hertz(NoteFrequency.hertz(carried, given[:a4]))}" : "none")
        octaves.drop(1).reduce(answer) do |lines, pitch|
          hertz = NoteFrequency.hertz(pitch, given[:a4])
          lines.line(named(pitch), Figures.hertz(hertz), hertz < given[:floor] ? "below what the system carries: it is felt nowhere, and takes headroom" : "carried")
        end.warn(carried.nil? || carried == given[:note], "An octave lower this system carries nothing: keep the note where it is, or move the key up.")
      end

      # Octaves under a note have its name.
      def named(pitch) = note_in(:note).sub(/-?\d+\z/, ((pitch / 12) - 1).to_s).then { |name| pitch == given[:note] ? note_in(:note) : name }
    end
  end
end
