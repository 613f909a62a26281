# frozen_string_literal: true

module Ethoscope
  module Calculators
    # A song in 6/8 put into 4/4: what can be held equal, what that does to the tempo, and after how many bars both meet (metric modulation; Kostka &
    # Payne, "Tonal Harmony", ch. 2, on simple and compound meters). The way is our own.
    class CompoundToSimple < Calculator
      ID = "six_eight_to_four"
      GROUP = "sample"
      NAME = "A 6/8 song into 4/4"
      SENTENCE = "A song in 6/8 at {bpm} dotted beats a minute goes into 4/4."
      BLANKS = [Blank.new(name: :bpm, about: "Tempo in dotted quarters", among: Blanks::TEMPI, usual: "60")].freeze

      private

      def work
        beat = given[:bpm]
        Answer.start("Tempos to 0.01 BPM.")
              .line("Beat stays beat", "#{Figures.plain(beat, 2)} BPM", "eighths become triplets; two bars of 6/8 fill one of 4/4: it fits everywhere, with a triplet feel")
              .line("Eighth stays eighth", "#{Figures.plain(beat * 1.5,
                2)} BPM", "a bar of 6/8 is three quarters: bar lines meet every 4 bars of 6/8 = 3 bars of 4/4, accents cross between")
              .line("Bar stays bar", "#{Figures.plain(beat * 2, 2)} BPM", "four quarters where six eighths were: loops of whole bars fit, what moves in eighths does not")
              .warn(true, "What runs in six even eighths never falls on straight sixteenths of 4/4: use single beats, whole bars, or triplets.")
      end
    end
  end
end
