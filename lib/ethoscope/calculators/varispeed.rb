# frozen_string_literal: true

module Ethoscope
  module Calculators
    # Speed and pitch together, as on a tape: semitones = 12 · log2(new tempo / old one) (equal temperament: twelve semitones double the frequency;
    # Helmholtz, "On the Sensations of Tone", 1863, App. XX). The way is our own.
    class Varispeed < Calculator
      ID = "varispeed"
      GROUP = "sample"
      NAME = "Speed and pitch together"
      SENTENCE = "From {from_bpm} BPM to {bpm} BPM by speed alone is a shift of {semitones} semitones."
      BLANKS = [Blank.new(name: :from_bpm, about: "Tempo before", among: Blanks::TEMPI, usual: "72", open: true),
                Blank.new(name: :bpm, about: "Tempo after", among: Blanks::TEMPI, usual: "96", open: true),
                Blank.new(name: :semitones, about: "Shift", unit: "semitones", among: -48..48, open: true)].freeze

      # @param ratio [Numeric] of speeds
      # @return [Float] semitones up
      def self.semitones(ratio) = 12 * Math.log2(ratio)

      # @param semitones [Numeric]
      # @return [Float] ratio of speeds
      def self.ratio(semitones) = 2.0**(semitones / 12.0)

      private

      def work
        filled, ratio = solve
        Answer.start("Tempos to 0.01 BPM, shifts to a cent.", filled)
              .heard(ratio, self.class.semitones(ratio))
              .line("Shift", Figures.shift(self.class.semitones(ratio)))
              .line("Speed", "#{Figures.fixed(ratio * 100, 2)} %")
              .line("Length", "#{Figures.fixed(100 / ratio, 2)} % of before")
              .warn(self.class.semitones(ratio).abs > 4, "More than 4 semitones by speed change voices and drums for everybody to hear; that may be what you want.")
      end

      def solve
        from, to, semitones = given.values_at(:from_bpm, :bpm, :semitones)
        case empty_one(:from_bpm, :bpm, :semitones)
        when :semitones then [{ semitones: Figures.fixed(self.class.semitones(to / from), 2) }, to / from]
        when :bpm then [{ bpm: Figures.plain(from * self.class.ratio(semitones), 2) }, self.class.ratio(semitones)]
        else [{ from_bpm: Figures.plain(to / self.class.ratio(semitones), 2) }, self.class.ratio(semitones)]
        end
      end
    end
  end
end
