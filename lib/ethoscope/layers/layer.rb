# frozen_string_literal: true

module Ethoscope
  module Layers
    # How much of one part is heard in each bar: its role and name, activity (0 to 1 by bar), confidence, spans in seconds, the source
    # that tells it ("mix", "stem", "midi" or "heard"), and what the other sources say of its role: hashes of source, activity and spans.
    # The method is our own.
    Layer = Value.of(:role, :activity, :confidence, :spans, :name, :source, :rivals) do
      # @return [Layer] of a role in the mix, which has no other name
      def self.of_mix(role:, activity:, confidence:, spans:) = new(role:, activity:, confidence:, spans:, name: role, source: "mix", rivals: [])
    end
  end
end
