# frozen_string_literal: true

module Ethoscope
  module Checklist
    # One stage of a plan: makes its targets into items. A stage says its NAME and the measures that it CLAIMS, to word them together; whatever else is
    # measured for this stage becomes an item of its own.
    class Stage
      # @param targets [Array<Measures::Target>] of this stage
      # @param brief [Brief]
      def initialize(targets, brief)
        @targets = targets
        @brief = brief
      end

      # @return [Array<Item>]
      def items = [*claimed, *plain].compact

      private

      attr_reader :brief

      # What the stage words itself.
      def claimed = []

      def plain
        @targets.reject { |target| self.class::CLAIMS.include?(target.measure) }.map do |target|
          item([target.place.name&.capitalize, target.kind.name, target.place.label].compact.join(" ").then { |title| title[0].upcase + title[1..] }, [target])
        end
      end

      def of(measure) = @targets.select { |target| target.measure == measure }

      def one(measure) = of(measure).first

      # @param title [String]
      # @param targets [Array<Measures::Target>] the first of them says target, tolerance and origin where nothing else is given
      def item(title, targets, target: nil, tolerance: nil, minutes: 10, steps: [], fallback: "", from: nil, about: nil)
        first = targets.first
        Item.new(stage: self.class::NAME, title:, target: target || first.words, tolerance: tolerance || first.tolerance_words, targets:, minutes:, steps:, fallback:,
          from: brief.profile ? "profile" : from || first.kind.rests_on.first, about: brief.profile ? nil : about)
      end

      # In how many of the songs something holds.
      def holds(target) = "in #{target.holds.first} of #{target.holds.last} songs"
    end
  end
end
