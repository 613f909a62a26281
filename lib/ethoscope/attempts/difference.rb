# frozen_string_literal: true

module Ethoscope
  module Attempts
    # One thing in which an attempt differs from its reference: kind (one of {Difference::KINDS}), the id of the measure that tells it (nil where none does), runs of
    # the reference's bars ([first, last], empty for the whole song), role and technique where it is of one, the values there and here in words, how far
    # they are apart, the tolerance and their unit, how likely it is so (0 to 1), one sentence, what to do about it, and the differences that follow from it.
    # The way is our own.
    Difference = Value.of(:kind, :measure, :bars, :role, :technique, :reference, :attempt, :distance, :tolerance, :unit, :sure, :words, :how, :under)

    # Knows how much it is.
    class Difference
      KINDS = %w[
        tempo key swing level range width brightness form form_added chord bass_octave layer_missing layer_extra pattern technique_missing technique_amount
        section_level section_width spectrum width_band feel register line entry exit
        layer_pan layer_width layer_pumping layer_echo layer_tail
      ].freeze
      # Nothing is told to be more than this many tolerances away.
      MOST = 9.9
      # What is less likely than this is told with a "perhaps".
      DOUBTFUL = 0.4

      # @param kind [String]
      # @param words [String]
      # @param rest [Hash]
      # @return [Difference]
      # @raise [ArgumentError] when the kind is not known
      def self.of(kind:, words:, **rest)
        raise ArgumentError, "unknown kind: #{kind}" unless KINDS.include?(kind)

        new(measure: nil, bars: [], role: nil, technique: nil, reference: nil, attempt: nil, distance: 1.0, tolerance: 1.0, unit: "", sure: 1.0, how: [], under: [], **rest, kind:,
          words:)
      end

      # @return [Float] in tolerances
      def size = (distance / tolerance.to_f).clamp(0.0, MOST).round(2)

      # @return [String] how close it is, see {Measures::Closeness}
      def closeness = Measures::Closeness.of(distance, tolerance)

      # @return [Boolean] whether it may as well not be so
      def doubtful? = sure < DOUBTFUL

      # @return [Array<Integer>] bars of the reference in which it is; none for the whole song
      def each_bar = bars.flat_map { |first, last| (first..last).to_a }

      # @param changes [Hash]
      # @return [Difference]
      def with(**changes) = self.class.new(**members.to_h { |name| [name, public_send(name)] }, **changes)

      # @return [Hash] without what it does not say
      def to_h = super.merge(size:, closeness:, doubtful: doubtful?, under: under.map(&:to_h)).compact
    end
  end
end
