# frozen_string_literal: true

module Ethoscope
  module Measures
    # What values of measures are, one class a kind: how two of them compare, what several have in common, and how one is worded. The way is our own.
    module Kinds
      # @param figure [Numeric]
      # @return [String] without ".0"
      def self.plain(figure) = (figure % 1).zero? ? figure.to_i.to_s : figure.to_s

      # @param unit [String] of a level
      # @return [String] of the difference of two: levels are LUFS, what lies between them LU
      def self.apart(unit) = unit == "LUFS" ? "LU" : unit
    end
  end
end
