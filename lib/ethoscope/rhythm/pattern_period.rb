# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # After how many bars the pattern of one piece returns: the shortest period of which a longer one would say nothing else. The method is our own.
    module PatternPeriod
      PERIODS = [1, 2, 4, 8].freeze
      # A longer period is taken where it is this sure of a stroke in one bar, and of rest in another ...
      STRUCK = 0.7
      # ... by the mean of the bars that it lays over each other, or where it has so few of them by each ...
      FEW = 2
      EACH = 0.5
      # ... and bars so far apart are more alike than bars at the shorter one, by so many strokes a bar.
      CLOSER = 0.05

      # @param strokes [Numo::DFloat] shape [bars, steps], 0 to 1, of one piece in a section
      # @return [Integer] one of PERIODS; each is heard at least twice
      def self.of(strokes)
        bars = strokes.shape[0]
        PERIODS.drop(1).take_while { |period| bars >= 2 * period }.reduce(1) do |found, period|
          differs?(strokes, period, found) && apart(strokes, found) - apart(strokes, period) > CLOSER ? period : found
        end
      end

      # Whether a fold says of two bars, that a shorter period holds for the same, that one is struck where the other rests.
      def self.differs?(strokes, period, shorter)
        struck, resting = sure(strokes, period)
        (0...(period - shorter)).any? do |row|
          other = row + shorter
          ((struck[row] & resting[other]) | (struck[other] & resting[row])).any?
        end
      end
      private_class_method :differs?

      # By bar of the period, the steps that are surely struck, and those that surely rest.
      def self.sure(strokes, period)
        groups = (0...period).map { |row| strokes[(row...strokes.shape[0]).step(period).to_a, true] }
        [groups.map { |group| struck(group) }, groups.map { |group| struck(1 - group) }]
      end
      private_class_method :sure

      def self.struck(group)
        sure = group.mean(axis: 0) > STRUCK
        group.shape[0] > FEW ? sure : sure & (group.min(axis: 0) > EACH)
      end
      private_class_method :struck

      # Strokes by which bars at a distance differ, mean over the section.
      def self.apart(strokes, lag)
        count = strokes.shape[0] - lag
        (strokes[0...count, true] - strokes[lag.., true]).abs.sum / count
      end
      private_class_method :apart
    end
  end
end
