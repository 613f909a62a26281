# frozen_string_literal: true

module Ethoscope
  module Checklist
    # Something to do: what is to be reached in words with its tolerance, the targets that an attempt is measured against (none where only the ear can
    # tell), a time box, a fallback, and the reading it came from. about says what of the reading it rests on, such as "layer:bass",
    # "technique:pedal" or "section:9", nil for all of it.
    Item = Value.of(:stage, :title, :target, :tolerance, :targets, :minutes, :steps, :fallback, :from, :about)

    # Knows what tells it from others.
    class Item
      STATES = %w[open done skipped].freeze
      # How near something that is done came: by ear, as long as nothing measures it.
      RESULTS = %w[exact close ballpark substituted].freeze

      # @return [Hash] plain data, its targets as well
      def to_h = super.merge(targets: targets.map(&:to_h))

      # @return [Array] what tells it from the other items of a plan, whatever its figures are
      def identity = self.class.identity(stage, title, targets)

      # @param stage [String]
      # @param title [String]
      # @param targets [Array<Measures::Target>]
      # @return [Array]
      def self.identity(stage, title, targets)
        first = targets.first or return [stage, title]
        value = first.value.is_a?(Hash) ? first.value.values_at(:kind, :text).compact.first : nil
        [stage, first.measure, first.place.role, first.place.layer, value || first.place.label || first.place.first_bar]
      end
    end
  end
end
