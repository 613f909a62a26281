# frozen_string_literal: true

module Ethoscope
  module Calculators
    # Work in a shifted key and come back: recorded some semitones away, brought back at the end; which key every tool that listens to one must be set to at
    # each stage. The way is our own.
    class ShiftedSession < Calculator
      ID = "shifted_session"
      GROUP = "shifted"
      NAME = "Work in a shifted key and come back"
      SENTENCE = "The song is in {key}; it is recorded {semitones} semitones away and brought back, {how}."
      BLANKS = [Blanks::KEY, Blank.new(name: :semitones, about: "Shift for the recording", kind: :whole, among: -12..12, usual: "2"),
                Blank.new(name: :how, about: "How it is brought back", kind: :choice, among: ["by shifting", "by speed"], usual: "by shifting"),
                Blank.new(name: :bpm, about: "Tempo of the song", unit: "BPM", among: Blanks::TEMPI, usual: "96")].freeze

      private

      def work
        shift = given[:semitones]
        away = given[:key].transpose(shift)
        cautions(Answer.start("Whole semitones; tempos to 0.01 BPM.")
                       .heard(speed? ? Varispeed.ratio(shift) : 1.0, shift)
          .line("Backing to record over", Figures.key(away), tempo_note(shift))
          .line("Recording", Figures.key(away), "#{Figures.shift(shift)} from the song")
          .line("Pitch correction before the way back", Figures.key(away), "set it to this key")
          .line("The way back", Figures.shift(-shift), given[:how])
          .line("Correction, harmonies and scale locks after it", Figures.key(given[:key]), "set them to this key")
          .line("Final", Figures.key(given[:key]), "#{Figures.plain(given[:bpm], 2)} BPM"))
      end

      def speed? = given[:how] == "by speed"

      def tempo_note(shift)
        speed? ? "at #{Figures.plain(given[:bpm] * Varispeed.ratio(shift), 2)} BPM" : "at #{Figures.plain(given[:bpm], 2)} BPM"
      end

      def cautions(answer)
        answer.warn(given[:semitones].abs > 4, "More than 4 semitones change a voice for everybody to hear.")
              .warn(given[:semitones].zero?, "Without a shift there is nothing to bring back.")
              .warn(!given[:semitones].zero?, "Correct either before the way back or after it; whatever listens to a key in between is off by #{given[:semitones].abs}.")
      end
    end
  end
end
