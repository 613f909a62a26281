# frozen_string_literal: true

module Ethoscope
  module Checklist
    # How long one person really takes for each kind of work, learned from boxes that were timed, so that later ones are sized by it. The median of what
    # was taken over what was given, from three on; never less than half and never more than three times. The way is our own.
    class Pace
      FEWEST = 3
      RANGE = (0.5..3.0)
      # Nearer to one it says nothing.
      SAME = 0.1

      # One kind of work: its stage, how many boxes were timed, minutes given and taken in all, and the factor (1.0 where too few are known).
      Line = Value.of(:stage, :boxes, :given, :taken, :factor)

      # @param items [Array<Hash>] that are done with and were timed: stage, minutes and spent (seconds)
      def initialize(items)
        @by_stage = items.select { |item| item[:spent].positive? }.group_by { |item| item[:stage] }
      end

      # @return [Array<Line>] in the order of work
      def lines
        Plan::STAGES.map { |stage| stage::NAME }.filter_map do |stage|
          items = @by_stage[stage] or next
          Line.new(stage:, boxes: items.size, given: items.sum { |item| item[:minutes] }, taken: (items.sum { |item| item[:spent] } / 60.0).round, factor: factor(stage))
        end
      end

      # @param stage [String]
      # @return [Float]
      def factor(stage)
        ratios = @by_stage.fetch(stage, []).map { |item| item[:spent] / (60.0 * item[:minutes]) }.sort
        return 1.0 if ratios.size < FEWEST

        middle = (ratios[(ratios.size - 1) / 2] + ratios[ratios.size / 2]) / 2
        ((middle - 1).abs < SAME ? 1.0 : middle.clamp(RANGE)).round(2)
      end

      # @param stage [String]
      # @param minutes [Integer] that a box would have for anybody
      # @return [Integer] minutes that it has for this person
      def sized(stage, minutes) = [(minutes * factor(stage)).round, 1].max
    end
  end
end
