# frozen_string_literal: true

module Ethoscope
  module Calculators
    # The tempo from moments that were written down, such as those of a first beat of each bar. A steady beat is fitted by least squares, see {TapTempo}.
    # The way is our own.
    class TappedTempo < Calculator
      ID = "tapped_tempo"
      GROUP = "time"
      NAME = "Tempo from moments"
      SENTENCE = "Beats fall at {times} seconds."
      BLANKS = [Blank.new(name: :times, about: "Moments", kind: :degrees, usual: "0.71 1.42 2.13 2.84 3.55")].freeze

      private

      def work
        times = given[:times].map { |text| Float(text.tr(",", "."), exception: false) || raise(Errors::Unfit, "Moments must be seconds with blanks between, such as 0.71 1.42 2.13 2.84") }
        tapped = TapTempo.fit(times)
        Answer.start("Tempos to 0.01 BPM, times to 0.1 ms.")
              .line("Tempo", "#{Figures.fixed(tapped.bpm, 2)} BPM")
              .line("Half and double", "#{Figures.fixed(tapped.bpm / 2, 2)} and #{Figures.fixed(tapped.bpm * 2, 2)} BPM")
              .line("They stray by", "#{Figures.fixed(tapped.spread_ms, 1)} ms").line("Used", "#{tapped.used} of #{times.size}")
              .warn(tapped.dropped.positive?, "#{tapped.dropped} did not fit a steady beat and #{tapped.dropped == 1 ? "was" : "were"} left out.")
      end
    end
  end
end
