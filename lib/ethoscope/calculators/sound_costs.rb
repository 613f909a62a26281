# frozen_string_literal: true

module Ethoscope
  module Calculators
    # Sounds to find, what each costs or who lends it, and the sum. The way is our own.
    class SoundCosts < Calculator
      ID = "costs"
      GROUP = "costs"
      NAME = "What the sounds cost"
      SENTENCE = "The sounds {sounds}, out of a budget of {budget}."
      BLANKS = [Blank.new(name: :sounds, about: "Sounds with prices", kind: :costs, usual: "electric piano: 29, strings: lent by Ada, tape hiss:"),
                Blank.new(name: :budget, about: "Budget", among: 0..1_000_000, usual: "50")].freeze

      private

      def work
        sounds = given[:sounds]
        bought, rest = sounds.partition { |sound| sound[:price] }
        lent, open = rest.partition { |sound| sound[:from] }
        sum = bought.sum { |sound| sound[:price] }
        answer = Answer.start("Sums to 0.01, in the currency that you wrote.")
                       .line("Sum", Figures.fixed(sum, 2), "#{bought.size} of #{sounds.size} are bought")
                       .line("Left of the budget", Figures.fixed(given[:budget] - sum, 2))
        answer = lent.reduce(answer) { |lines, sound| lines.line(Figures.sentence(sound[:what]), sound[:from]) }
        answer = answer.line("Still to find", open.map { |sound| sound[:what] }.join(", ")) unless open.empty?
        answer.warn(sum > given[:budget], "Over the budget by #{Figures.fixed(sum - given[:budget], 2)}.")
      end
    end
  end
end
