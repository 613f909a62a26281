# frozen_string_literal: true

require "dry/schema"

module Ethoscope
  # Shapes of what a person or a program sends, and what is wrong with it in words.
  module Forms
    MESSAGES = File.join(__dir__, "forms.yml")

    # @param parent [Dry::Schema::Processor, Array<Dry::Schema::Processor>, nil] schemas that this one adds to
    # @return [Dry::Schema::Params] whose messages are sentences' ends, such as "must be 20 or more"
    def self.schema(parent: nil, &rules)
      Dry::Schema.Params(parent:) do
        config.messages.load_paths << MESSAGES
        instance_eval(&rules) if rules
      end
    end

    # The first thing that does not fit, as a sentence and the path to it.
    class Complaint
      # Names of fields that people know by other words.
      WORDS = { sure: "how sure", bpm: "BPM", have: "have, need or substitute", from: "from", to_bar: "bar to repeat to", starts_at: "start", set_offset: "offset" }.freeze
      ORDINALS = %w[first second third fourth fifth sixth seventh eighth ninth tenth].freeze

      # @param errors [Hash] as Dry::Schema::Result#errors gives them, nested
      def initialize(errors)
        @path, @message = first(errors.to_h, [])
      end

      # @return [String] such as "Candidates, second: how sure must be between 0 and 1."
      def sentence
        *before, last = @path.map { |step| word(step) }
        text = "#{"#{before.join(", ")}: " unless before.empty?}#{last} #{@message}."
        "#{text[0].upcase}#{text[1..]}"
      end

      # @return [String] such as "candidates.1.sure"
      def field = @path.join(".")

      private

      def first(part, path)
        return [path, part.is_a?(Array) ? part.flatten.first : part] unless part.is_a?(Hash)

        name, inner = part.first
        first(inner, [*path, name])
      end

      def word(step)
        return ORDINALS[step] || "number #{step + 1}" if step.is_a?(Integer)

        WORDS.fetch(step) { step.to_s.tr("_", " ") }
      end
    end
  end
end
