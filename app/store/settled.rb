# frozen_string_literal: true

module Store
  # What was decided about an item, in words.
  module Settled
    # @param change [Hash] what is said of an item
    # @return [String, nil] the decision in it
    def self.decision(change) = change[:result] || (change[:state] == "open" ? "reopened" : change[:state])

    # @param change [Hash]
    # @return [String] what undo calls it
    def self.label(change)
      decision = decision(change)
      return decision[0].upcase + decision[1..] if decision
      return "More time" if change[:extra]
      return "Pins" if change[:pins]

      change[:own] ? "Other words" : "A remark"
    end
  end
end
