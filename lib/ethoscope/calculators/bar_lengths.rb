# frozen_string_literal: true

module Ethoscope
  module Calculators
    # How long beats, bars and runs of bars last: a beat is 60 / BPM seconds. The way is our own.
    class BarLengths < Calculator
      ID = "bar_lengths"
      GROUP = "time"
      NAME = "Bars and seconds"
      SENTENCE = "At {bpm} BPM in {meter}, {bars} bars last {seconds} seconds."
      BLANKS = [Blank.new(name: :bpm, about: "Tempo", among: Blanks::TEMPI, usual: "84.5", open: true), Blanks::METER,
                Blank.new(name: :bars, about: "Bars", among: 0.25..2000, usual: "16", open: true),
                Blank.new(name: :seconds, about: "Seconds", among: 0.05..7200, open: true)].freeze

      private

      def work
        filled, bpm, bars = solve
        beat = 60 / bpm
        Answer.start("Times to 0.1 ms and 0.01 s.", filled)
              .line("A beat", Figures.ms(beat))
              .line("A bar", "#{Figures.fixed(beat * beats, 3)} s")
              .line("#{Figures.plain(bars, 2)} bars", Figures.clock(bars * beats * beat))
              .line("Four bars", "#{Figures.fixed(4 * beats * beat, 2)} s").line("Bars in three minutes", Figures.fixed(180 / (beats * beat), 1))
      end

      def solve
        bpm, bars, seconds = given.values_at(:bpm, :bars, :seconds)
        case empty_one(:bpm, :bars, :seconds)
        when :seconds then [{ seconds: Figures.plain(bars * beats * 60 / bpm, 2) }, bpm, bars]
        when :bars then [{ bars: Figures.plain(seconds * bpm / 60 / beats, 2) }, bpm, seconds * bpm / 60 / beats]
        else [{ bpm: Figures.plain(bars * beats * 60 / seconds, 2) }, bars * beats * 60 / seconds, bars]
        end
      end

      def beats = Rhythm::Meter.named(given[:meter]).beats
    end
  end
end
