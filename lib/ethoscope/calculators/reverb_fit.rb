# frozen_string_literal: true

module Ethoscope
  module Calculators
    # Pre-delay and decay of a reverb that end together before the next stroke. A decay time is that of a fall by 60 dB (ISO 3382); what is heard of it in
    # a mix is its first half. The way is our own.
    class ReverbFit < Calculator
      ID = "reverb_fit"
      GROUP = "time"
      NAME = "Reverb that ends before the next beat"
      SENTENCE = "At {bpm} BPM a reverb that is gone after {beats} beats, its pre-delay {predelay} of a bar of four."
      BLANKS = [Blanks::BPM, Blank.new(name: :beats, about: "Beats until it is gone", among: 0.25..32, usual: "1"),
                Blank.new(name: :predelay, about: "Pre-delay", kind: :choice, among: ["1/128", "1/64", "1/32", "none"], usual: "1/64")].freeze

      private

      def work
        whole = given[:beats] * 60 / given[:bpm]
        before = given[:predelay] == "none" ? 0.0 : 240 / given[:bpm] / given[:predelay].delete_prefix("1/").to_i
        Answer.start("Times to 0.1 ms and 0.01 s.")
              .line("Pre-delay", Figures.ms(before)).line("Decay", "#{Figures.fixed(whole - before, 2)} s", "falls by 60 dB before the next stroke")
              .line("Decay that leaves a tail", "#{Figures.fixed((whole - before) * 2, 2)} s", "has fallen by 30 dB by then")
              .line("Both together", Figures.ms(whole))
              .warn(whole <= before, "The pre-delay alone is longer than that: take a shorter one.")
      end
    end
  end
end
