# frozen_string_literal: true

module Ethoscope
  module Measures
    # What is to be reached: the id of a measure, a place, a value, a tolerance in the measure's unit, and where it came from: source (person, notes,
    # stem, mix, profile or wanted), confidence, and holds, [in how many, of how many songs], nil for a single song. The way is our own.
    Target = Value.of(:measure, :place, :value, :tolerance, :source, :confidence, :holds)

    # Knows its measure.
    class Target
      # @param data [Hash] as {#to_h} gives it, symbol keys
      # @return [Target]
      def self.from_h(data)
        new(confidence: nil, holds: nil, **data.slice(*members), place: Place.song.with(**data.slice(*Place.members)))
      end

      # @param changes [Hash] attributes
      # @return [Target] the same with other attributes
      def with(**changes) = self.class.new(measure:, place:, value:, tolerance:, source:, confidence:, holds:, **changes)

      # @return [Measure]
      # @raise [KeyError] when this Ethoscope does not know it
      def kind = Registry.fetch(measure)

      # @return [String] the value in words
      def words = kind.words(value)

      # @return [String] the tolerance in words
      def tolerance_words = kind.tolerance_words(tolerance)

      # @return [Hash] plain data: first_bar, bars, role and label stand beside the rest
      def to_h = { measure:, **place.to_h, value:, tolerance:, unit: kind.unit, source:, confidence:, holds: }.compact
    end
  end
end
