# frozen_string_literal: true

module Ethoscope
  module Calculators
    # A sentence with blanks, and what it comes to when they are filled. Each calculation is a class of its own with ID (its name in addresses and on the
    # command line), GROUP (of the reckoner's page), NAME, SENTENCE (blanks in braces) and BLANKS; its `work` gives an {Answer}. The way is our own.
    class Calculator
      # @param written [Hash{Symbol, String => String, Numeric}] by blank what is filled in; what is usual stands where nothing is
      # @return [Answer]
      # @raise [Errors::Unfit] saying which blank can't be read, or is missing, or does not go with another
      def self.answer(written)
        asked = written.transform_keys(&:to_sym)
        unknown = asked.keys - self::BLANKS.map(&:name)
        raise Errors::Unfit, "#{self::ID} has no field “#{unknown.first}”; it has #{self::BLANKS.map(&:name).join(", ")}" if unknown.any?

        # A blank that may be worked out has no usual value.
        new(self::BLANKS.to_h { |blank| [blank.name, blank.read(asked[blank.name]) || (blank.read(blank.usual) unless blank.open)] }, asked).answer
      end

      # @return [Hash] for interface and command line
      def self.to_h = { id: self::ID, group: self::GROUP, name: self::NAME, sentence: self::SENTENCE, blanks: self::BLANKS.map(&:to_h) }

      # @param given [Hash{Symbol => Object, nil}] by blank its value
      # @param written [Hash{Symbol => Object}] by blank what was written
      def initialize(given, written = {})
        @given = given
        @written = written
      end

      # @return [Answer]
      # @raise [Errors::Unfit]
      def answer
        self.class::BLANKS.each { |blank| raise Errors::Unfit, "#{blank.about} is missing" if given[blank.name].nil? && !blank.open }
        work
      end

      private

      attr_reader :given

      # A note by the name that it was given: C♯2 is not answered with D♭2.
      def note_in(blank)
        said = @written[blank].to_s.strip
        said.empty? ? Figures.note(given[blank]) : Figures.signs(said[0].upcase + said[1..])
      end

      # The open blanks of which all but one must be filled; the name of the empty one.
      def empty_one(*names)
        empty = names.select { |name| given[name].nil? }
        words = names.map { |name| self.class::BLANKS.find { |blank| blank.name == name }.about.downcase }
        raise Errors::Unfit, "leave one of #{Readings::Words.list(words)} empty: it is worked out from the rest" unless empty.size == 1

        empty.first
      end
    end
  end
end
