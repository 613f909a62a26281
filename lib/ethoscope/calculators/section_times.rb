# frozen_string_literal: true

module Ethoscope
  module Calculators
    # When each section of a song begins, and how long the whole is. A beat is 60 / BPM seconds. The way is our own.
    class SectionTimes < Calculator
      ID = "section_times"
      GROUP = "time"
      NAME = "Sections on the clock"
      SENTENCE = "Sections of {sections} bars at {bpm} BPM in {meter}."
      BLANKS = [Blank.new(name: :sections, about: "Bars of each section", kind: :bars, usual: "4 16 8 16 8"), Blanks::BPM, Blanks::METER].freeze

      private

      def work
        bar = Rhythm::Meter.named(given[:meter]).beats * 60 / given[:bpm]
        first = 1
        answer = Answer.start("Times to 0.01 s.").line("Whole song", Figures.clock(given[:sections].sum * bar), "#{given[:sections].sum} bars")
        given[:sections].each_with_index.reduce(answer) do |lines, (bars, i)|
          from = first
          first += bars
          lines.line("Section #{i + 1}, bars #{from}–#{first - 1}", "#{Figures.clock((from - 1) * bar)} to #{Figures.clock((first - 1) * bar)}",
            "#{Figures.fixed(bars * bar, 2)} s")
        end
      end
    end
  end
end
