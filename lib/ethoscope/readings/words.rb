# frozen_string_literal: true

module Ethoscope
  module Readings
    # Small numbers, odds and note names as people read them.
    module Words
      NUMBERS = %w[no one two three four five six seven eight nine ten eleven twelve].freeze

      # @param count [Integer]
      # @return [String] a word up to twelve, figures beyond
      def self.number(count) = NUMBERS[count] || count.to_s

      # @param count [Integer] of occasions
      # @return [String] "once", "twice", "three times"
      def self.times(count) = { 1 => "once", 2 => "twice" }.fetch(count) { "#{number(count)} times" }

      # @param first [Float] odds of the choice
      # @param other [Float] odds of the rival
      # @return [String] such as "4 to 1"
      def self.odds(first, other)
        ratio = first / [other, 0.001].max
        ratio >= 99 ? "over 99 to 1" : "#{[ratio, 1].max.round} to 1"
      end

      # @param name [String] a pitch or key name with b and #
      # @return [String] the same with ♭ and ♯
      def self.signs(name) = name.gsub(/(?<=[A-G])([b#]+)/) { |signs| signs.tr("b#", "♭♯") }

      # @param words [Array<String>]
      # @return [String] such as "a, b and c"
      def self.list(words) = words.size < 2 ? words.first.to_s : "#{words[0...-1].join(", ")} and #{words.last}"

      # @param value [Float]
      # @param decimals [Integer]
      # @return [String] with a true minus sign
      def self.signed(value, decimals = 1) = format("%.#{decimals}f", value).tr("-", "−")
    end
  end
end
