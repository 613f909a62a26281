# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # After how many bars the pattern of one piece returns: the shortest period of which a longer one would say nothing else. The method is our own.
    module PatternPeriod
      PERIODS = [1, 2, 4, 8].freeze
      # A longer period is taken where it is this sure of a stroke in one bar and of rest in another ...
      STRUCK = 0.7
      RESTING = 0.3
      # ... and bars so far apart are more alike than bars at the shorter one, by so many strokes a bar.
      CLOSER = 0.05

      # @param strokes [Numo::DFloat] shape [bars, steps], 0 to 1, of one piece in a section
      # @yieldparam period [Integer]
      # @yieldreturn [Numo::DFloat] shape [period, steps]: how likely each step is struck when the bars are folded so
      # @return [Integer] one of PERIODS; each is heard at least twice
      def self.of(strokes)
        bars = strokes.shape[0]
        PERIODS.drop(1).take_while { |period| bars >= 2 * period }.reduce(1) do |found, period|
          differs?(yield(period), found) && apart(strokes, found) - apart(strokes, period) > CLOSER ? period : found
        end
      end

      # Whether a fold says of two bars, that a shorter period holds for the same, that one is struck where the other rests.
      def self.differs?(fold, shorter)
        (0...(fold.shape[0] - shorter)).any? do |row|
          pair = [fold[row, true], fold[row + shorter, true]]
          ((pair.reduce { |a, b| Numo::DFloat.maximum(a, b) } > STRUCK) & (pair.reduce { |a, b| Numo::DFloat.minimum(a, b) } < RESTING)).any?
        end
      end
      private_class_method :differs?

      # Strokes by which bars at a distance differ, mean over the section.
      def self.apart(strokes, lag)
        count = strokes.shape[0] - lag
        (strokes[0...count, true] - strokes[lag.., true]).abs.sum / count
      end
      private_class_method :apart
    end
  end
end
