# frozen_string_literal: true

module Ethoscope
  module Calculators
    # Swing as a share of the pair (50 % is straight, 66.7 % a triplet) and as ms that the off-beat comes late. A pair of eighths is a quarter, of
    # sixteenths an eighth. The way is our own.
    class SwingMs < Calculator
      ID = "swing"
      GROUP = "time"
      NAME = "Swing in % and ms"
      SENTENCE = "At {bpm} BPM {value} swung {percent} % come {ms} ms late."
      BLANKS = [Blanks::BPM, Blank.new(name: :value, about: "Note value", kind: :choice, among: %w[eighths sixteenths], usual: "sixteenths"),
                Blank.new(name: :percent, about: "Swing", unit: "%", among: 50..80, usual: "58", open: true),
                Blank.new(name: :ms, about: "Milliseconds late", unit: "ms", among: 0..600, open: true)].freeze
      BESIDE = [54, 58, 62, 200 / 3.0].freeze

      private

      def work
        percent = empty_one(:percent, :ms) == :ms ? given[:percent] : 50 + (given[:ms] / 10 / pair)
        late = late(percent)
        filled = given[:ms] ? { percent: Figures.plain(percent, 1) } : { ms: Figures.plain(late * 1000, 1) }
        answer = Answer.start("Times to 0.1 ms, swing to 0.1 %.", filled)
                       .line("The off-beat comes late by", Figures.ms(late))
                       .line("First and second of a pair", "#{Figures.ms(percent * pair / 100)} and #{Figures.ms((100 - percent) * pair / 100)}")
        BESIDE.reduce(answer) { |lines, other| lines.line("#{Figures.plain(other, 1)} % would be", Figures.ms(late(other))) }
              .warn(percent > 70, "Beyond 67 % a pair is no triplet any more: it will be heard as dotted.")
      end

      # Seconds of two of them.
      def pair = 60 / given[:bpm] / (given[:value] == "eighths" ? 1 : 2)

      def late(percent) = (percent - 50) * pair / 100
    end
  end
end
