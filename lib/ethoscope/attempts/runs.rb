# frozen_string_literal: true

module Ethoscope
  module Attempts
    # Reads what is so of piece after piece, when it seldom changes: the likeliest course of states (Viterbi, 1967).
    module Runs
      # What a change from one state to another costs within a section, and at its border; a logarithm.
      CHANGE = 1.2
      AT_BORDER = 0.4
      TINY = 1e-6

      # @param odds [Array<Array<Float>>] by piece and state
      # @param borders [Array<Boolean>] whether a section begins with the piece
      # @return [Array<Integer>] the state of each piece
      def self.of(odds, borders)
        return [] if odds.empty?

        best = odds.first.map { |share| log(share) }
        back = odds.each_cons(2).with_index.map do |(_, now), i|
          cost = borders[i + 1] ? AT_BORDER : CHANGE
          from = now.each_index.map { |state| best.each_index.max_by { |before| best[before] - (before == state ? 0 : cost) } }
          best = now.each_index.map { |state| best[from[state]] - (from[state] == state ? 0 : cost) + log(now[state]) }
          from
        end
        back.reverse.each_with_object([best.each_index.max_by { |state| best[state] }]) { |from, path| path.unshift(from[path.first]) }
      end

      def self.log(share) = Math.log([share, TINY].max)
      private_class_method :log
    end
  end
end
