# frozen_string_literal: true

module Ethoscope
  # Lays the {Engine::Findings} of all stages out in the schema of an {Analysis} (docs/schema.md), one class a part.
  class Schema
    PARTS = %i[RhythmPart HarmonyPart LinesPart FormPart MixPart PrintsPart].freeze

    # @param findings [Engine::Findings]
    # @param confidence [Engine::Confidence] turns the stages' own odds into shares of right answers
    def initialize(findings, confidence: Engine::Confidence.shipped)
      @findings = findings
      @confidence = confidence
    end

    # @return [Hash] the schema, symbol keys
    def to_h
      features = @findings.features
      head = { engine_version: Analysis::ENGINE_VERSION, duration: features.duration.round(3), channels: features.channels }
      all = PARTS.map { |part| Schema.const_get(part).new(@findings, @confidence).to_h }.reduce(head) { |found, part| found.merge(part) }
      all.merge(returns: Form::Returns.new(all).to_h)
    end
  end
end
