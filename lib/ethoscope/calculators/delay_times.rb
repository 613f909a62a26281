# frozen_string_literal: true

module Ethoscope
  module Calculators
    # Delay times of note values, straight, dotted (half as long again) and triplet (two thirds), in ms and samples. A quarter is 60 / BPM seconds where
    # the quarter is the beat. The way is our own.
    class DelayTimes < Calculator
      ID = "delay_times"
      GROUP = "time"
      NAME = "Delay times"
      SENTENCE = "Delays at {bpm} BPM, at {rate} Hz."
      BLANKS = [Blanks::BPM, Blanks::RATE].freeze
      VALUES = [4, 8, 16, 32].freeze
      KINDS = { "" => 1.0, " dotted" => 1.5, " triplet" => 2 / 3.0 }.freeze

      # @param bpm [Numeric] in quarters
      # @return [Hash{String => Float}] seconds by name of the note value
      def self.table(bpm)
        VALUES.product(KINDS.to_a).to_h { |value, (kind, factor)| ["1/#{value}#{kind}", 240.0 / bpm / value * factor] }
      end

      private

      def work
        self.class.table(given[:bpm]).reduce(Answer.start("Times to 0.1 ms, samples to whole ones; BPM counts quarters.")) do |answer, (name, seconds)|
          answer.line(name, Figures.ms(seconds), "#{(seconds * given[:rate].to_i).round} samples")
        end
      end
    end
  end
end
