# frozen_string_literal: true

module Ethoscope
  module Calculators
    # Lengths of slices of so many beats, in time and in samples. A beat is 60 / BPM seconds. The way is our own.
    class Slices < Calculator
      ID = "slices"
      GROUP = "time"
      NAME = "Slices every few beats"
      SENTENCE = "At {bpm} BPM a slice every {beats} beats, {bars} bars of {meter} at {rate} Hz."
      BLANKS = [Blanks::BPM,
                Blank.new(name: :beats, about: "Beats of a slice", among: 0.0625..64, usual: "2"),
                Blank.new(name: :bars, about: "Bars", kind: :whole, among: 1..999, usual: "4"),
                Blanks::METER, Blanks::RATE].freeze

      private

      def work
        samples = slice * rate
        Answer.start("Times to 0.1 ms, samples to whole ones.")
              .line("A slice", Figures.ms(slice))
              .line("In samples", samples.round.to_s, "exactly #{Figures.fixed(samples, 2)}")
              .line("Slices in all", Figures.plain(count, 2))
              .line("After the last one", "#{Figures.signed((samples.round - samples) * count / rate * 1000, 3)} ms", "that whole samples are off by then")
              .warn((count % 1).positive?, "The last slice is cut: #{Figures.plain(given[:beats], 4)} beats do not divide the run.")
      end

      def slice = given[:beats] * 60 / given[:bpm]

      def rate = given[:rate].to_i

      def count = given[:bars] * Rhythm::Meter.named(given[:meter]).beats / given[:beats]
    end
  end
end
