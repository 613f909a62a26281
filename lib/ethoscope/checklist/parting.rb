# frozen_string_literal: true

module Ethoscope
  module Checklist
    # One item made into two, and two into one. Their words are a person's from then on. The way is our own.
    module Parting
      # @param item [Hash] title, steps, targets, minutes
      # @param at [Integer] the step, from 1, with which the second part begins
      # @return [Array(Hash, Hash)] what each part says: title, steps, targets, minutes. Targets go with their steps where there is one for each, or else
      #   stay with the first part; the box is shared by the number of steps
      # @raise [Errors::Unfit] when either part would have no step
      def self.split(item, at)
        steps = item[:steps]
        raise Errors::Unfit, "it has #{steps.size == 1 ? "one step" : "#{steps.size} steps"}: a new item begins with the second or a later one" unless at.between?(2, steps.size)

        first, second = halves(item[:targets], at, steps.size)
        minutes = [(item[:minutes] * (at - 1).fdiv(steps.size)).round, 1].max
        [{ title: "#{item[:title]}, part 1", steps: steps.first(at - 1), targets: first, minutes: },
         { title: "#{item[:title]}, part 2", steps: steps.drop(at - 1), targets: second, minutes: [item[:minutes] - minutes, 1].max }]
      end

      # @param one [Hash] title, target, steps, targets, minutes, extra, spent, note
      # @param other [Hash] the same
      # @return [Hash] what one item says that asks for both
      def self.join(one, other)
        { title: "#{one[:title]}; #{other[:title]}", target: [one, other].map { |item| item[:target] }.uniq.join("; "), steps: one[:steps] + other[:steps],
          targets: one[:targets] + other[:targets], note: [one, other].map { |item| item[:note] }.reject(&:empty?).join(" "),
          **%i[minutes extra spent].to_h { |field| [field, one[field] + other[field]] } }
      end

      # Of as many targets as steps each has its own; what holds for all of them stands first.
      def self.halves(targets, at, steps)
        whole = targets.size - steps
        whole.between?(0, 1) ? [targets.first(whole + at - 1), targets.drop(whole + at - 1)] : [targets, []]
      end
      private_class_method :halves
    end
  end
end
