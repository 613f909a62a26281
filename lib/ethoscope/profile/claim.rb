# frozen_string_literal: true

module Ethoscope
  module Profile
    # That songs share something: the trait (its id) and the value of it that they have (of a figure its range), which songs have it (true, false, or nil where
    # a song does not tell), in how many (n) of how many (m) it holds, weighted (share), the interval that the share may lie in elsewhere (low, high), the share
    # of other music that has it (elsewhere, nil where nothing is known), and how sure it is that a clear majority has it (sure, nil where that was never measured).
    # The way is our own.
    Claim = Value.of(:trait, :value, :songs, :n, :m, :share, :low, :high, :elsewhere, :sure)

    # Knows how it stands to other music.
    class Claim
      # It holds clearly when two of three songs have it.
      CLEAR = 2 / 3.0
      # What so much of other music has says nothing of a style.
      TRIVIAL = 0.7
      # Below this it is not said.
      SURE = 0.95
      # Techniques have names in the library.
      TECHNIQUES = "mix.techniques"
      # Of fewer songs nothing can be told.
      FEWEST = 3

      # @return [Measures::Trait]
      def kind = Measures::Traits.fetch(trait)

      # @param value [Object]
      # @return [Claim] the same of another value
      def with(value:) = self.class.new(**members.to_h { |name| [name, public_send(name)] }, value:)

      # @return [String] tells it from other claims
      def id = kind.kind == :figure ? trait : "#{trait}=#{value}"

      # @return [String]
      def words = (trait == TECHNIQUES && Techniques::Library.entry(value)&.name) || kind.words(value)

      # @return [String] own (clearly more common here than elsewhere), common (most music has it), few (too few songs to tell it from other music)
      def standing
        return "common" if elsewhere && elsewhere >= TRIVIAL
        return "few" if m < FEWEST || (elsewhere && low <= elsewhere)

        "own"
      end

      # @return [Float] how much more common it is here
      def lead = share - (elsewhere || 0.5)

      # @return [Boolean] whether it is worth saying of the style; what was never measured how sure it is, only where it clearly tells it from other music
      def said? = sure.nil? ? standing == "own" : standing != "common" && sure >= SURE

      # @return [Hash] plain data, with its words
      def to_h = super.merge(id:, words:, aspect: kind.aspect, standing:)
    end
  end
end
