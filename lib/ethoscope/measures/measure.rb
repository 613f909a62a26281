# frozen_string_literal: true

module Ethoscope
  module Measures
    # One thing that can be read off a song, with all that the product knows to do with it: reading, comparing, wording, restating.
    #
    # id (family.name), name (in words), unit (of its distance, "" for none), scope (one of SCOPES), kind (see {Kinds}), exact and style (its
    # tolerances in its unit: for an exact remake, and for something in the style of), stage (of the plan where it is worked on), rests_on (aspects
    # of readings), reader ({Subject} to an array of {Measured}), worded (value to words; nil: as its kind words it), restated (value and
    # {Restatement} to the value there; nil: it stays). The way is our own.
    Measure = Value.of(:id, :name, :unit, :scope, :kind, :exact, :style, :stage, :rests_on, :reader, :worded, :restated)

    # Holds the parts together.
    class Measure
      SCOPES = %i[song section role role_in_section].freeze

      # @raise [ArgumentError] when the scope is not known
      def initialize(worded: nil, restated: nil, **)
        super
        raise ArgumentError, "unknown scope: #{scope}" unless SCOPES.include?(scope)
      end

      # @return [String] the family that it belongs to
      def family = id.split(".").first

      # @param subject [Subject]
      # @return [Array<Measured>] one a place, none where the song does not tell it
      def read(subject) = reader.call(subject).map { |told| Measured.new(measure: id, place: Place.song, **told) }

      # @param one [Object] a value
      # @param other [Object] a value
      # @return [Float] how far they are apart, in the measure's unit; 0 when they are the same
      def distance(one, other) = kind.distance(one, other).to_f

      # @param value [Object]
      # @return [String] with its unit
      def words(value) = worded ? worded.call(value) : kind.words(value, unit)

      # @param value [Object]
      # @param restatement [Restatement]
      # @return [Object] the value in that tempo and key
      def restate(value, restatement) = restated ? restated.call(value, restatement) : value

      # @param exactly [Boolean] for an exact remake, or else in the style of
      # @param value [Object, nil] that is to be reached, where it is known
      # @return [Numeric] tolerance in the measure's unit; never so wide that nothing at all would be near enough
      def tolerance(exactly, value = nil) = (exactly ? exact : style).then { |wide| value && kind.is_a?(Kinds::Share) ? kind.bounded(wide, value) : wide }

      # @param tolerance [Numeric] in the measure's unit
      # @return [String] in words, such as "±0.05 BPM" or "exact"
      def tolerance_words(tolerance) = kind.tolerance_words(tolerance, unit)
    end
  end
end
