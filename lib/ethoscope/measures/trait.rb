# frozen_string_literal: true

module Ethoscope
  module Measures
    # One thing that a song has or does, by which styles differ: id (family.name), aspect (what a profile lists it under), kind (one of KINDS), says (a claim
    # about it in words, from the value), measure (the id of the measure that a target of it has; nil where there is none), and reader ({SongTraits} to the
    # value: true or false for a fact, a word for a category, words for a set, a number for a figure; nil: the song does not tell it). The way is our own.
    Trait = Value.of(:id, :aspect, :kind, :says, :measure, :spread, :reader)

    # Knows its kinds.
    class Trait
      KINDS = %i[fact category set figure].freeze

      # @param says [Hash, #call] what is claimed by value; a value that says nothing is not claimed
      # @param measure [String, nil]
      # @param spread [Float, nil] of a figure: how far songs may lie from their middle, as a share of it (or in its unit where it may be 0) to be called alike
      # @raise [ArgumentError] when the kind is not known
      def initialize(measure: nil, spread: nil, **)
        super
        raise ArgumentError, "unknown kind: #{kind}" unless KINDS.include?(kind)
      end

      # @param song [SongTraits]
      # @return [Object, nil]
      def read(song) = reader.call(song)

      # @param middle [Float] of a figure
      # @return [Float] how far from there songs are still alike
      def reach(middle) = spread < 1 ? spread * middle.abs : spread

      # @param value [Object] of a fact, a category, or one of a set
      # @return [String, nil] the claim that songs have it; nil where that is not worth saying
      def words(value) = says.is_a?(Hash) ? says[value] : says.call(value)
    end
  end
end
