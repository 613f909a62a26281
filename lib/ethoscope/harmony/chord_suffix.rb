# frozen_string_literal: true

module Ethoscope
  module Harmony
    # What is written behind a chord's root, found from its intervals
    # (suffixes after Brandt & Roemer, "Standardized Chord Symbol Notation", 1976, in the plain letters of lead sheets).
    class ChordSuffix
      # Altered and high intervals in the order in which they are written.
      WRITTEN_LAST = %w[b5 #5 b9 #9 #11 b13].freeze
      # Every tone that can be altered is.
      ALTERED = %w[1 3 b7 b9 #9 b13].freeze
      # What a number brings along over a seventh.
      PILES = { "13" => %w[9 13], "11" => %w[9 11], "9" => %w[9], "7" => [] }.freeze
      SEVENTHS = { "b7" => "", "7" => "maj" }.freeze

      # @param intervals [Array<String>] names of {IntervalName}
      def initialize(intervals)
        @intervals = intervals
      end

      # @return [String] such as "m7", "sus4", "maj7♯11"
      def to_s = fixed || (body + suspended + added + altered)

      # @return [String, nil] "3" or "b3"
      def third = %w[3 b3].find { |name| has?(name) }

      # @return [String, nil] "5", "b5" or "#5"
      def fifth = %w[5 b5 #5].find { |name| has?(name) }

      # @return [String, nil] "7", "b7" or "bb7"
      def seventh = %w[7 b7 bb7].find { |name| has?(name) }

      # @return [String, nil] "sus4", "sus2", or nil where nothing is suspended
      def suspension = %w[sus4 sus2].find { |name| suspended.include?(name) }

      private

      def has?(name) = @intervals.include?(name)

      # Triads and sevenths with a name of their own.
      def fixed
        return "7alt" if (@intervals - ALTERED).empty? && @intervals.size == ALTERED.size

        case [third, fifth, seventh]
        when ["b3", "b5", nil] then "dim" if rest.empty?
        when %w[b3 b5 bb7] then "dim7#{added}#{altered.delete("♭5")}"
        when ["3", "#5", nil] then "aug" if rest.empty?
        when %w[3 #5 b7] then "aug#{number}" if (rest - ["9"]).empty?
        when [nil, "5", nil] then "5" if rest.empty?
        end
      end

      # What stands beside root, third, fifth and seventh.
      def rest = @intervals - ["1", third, fifth, seventh].compact

      def sus? = third.nil? && (has?("4") || (has?("9") && seventh.nil?))

      def body
        minor = third == "b3" ? "m" : ""
        return minor + six unless seventh

        major = SEVENTHS.fetch(seventh, "")
        minor == "m" && major == "maj" ? "m(maj#{number})" : "#{minor}#{major}#{number}"
      end

      def six
        return "" unless has?("6")

        has?("9") && !sus? ? "6/9" : "6"
      end

      # The highest third of an unbroken pile.
      def number
        return "13" if has?("13") && (has?("9") || has?("b9") || has?("#9"))
        return "11" if has?("11") && has?("9")

        has?("9") ? "9" : "7"
      end

      def suspended
        return third || has?("3") ? "" : "no3" unless sus?

        [("sus2" if has?("9") && seventh.nil?), ("sus4" if has?("4"))].compact.join
      end

      # Tones over a triad, and those over a seventh that stand without the thirds below them.
      def added
        names = %w[9 11 13].select { |name| has?(name) } - piled
        names.map { |name| "add#{name}" }.join + (fifth ? "" : "no5")
      end

      # Over a triad a high tone is added, over a seventh it is an alteration.
      def altered
        WRITTEN_LAST.select { |name| has?(name) }.map { |name| "#{"add" unless seventh || name.end_with?("5")}#{name.tr("b#", "♭♯")}" }.join
      end

      # High tones that the number, the sixth or the suspension says already.
      def piled
        return PILES.fetch(number) if seventh

        has?("6") || sus? ? ["9"] : []
      end
    end
  end
end
