# frozen_string_literal: true

module Ethoscope
  module Profile
    # Two profiles side by side: all that either says, with how many songs of each have it; what tells them apart most comes first. The way is our own.
    class Comparison
      # One line: id, aspect and words of a claim, [n, m] here and there, and how far the shares are apart (0 to 1).
      Line = Value.of(:id, :aspect, :words, :here, :there, :apart)

      # @param here [Claims]
      # @param there [Claims]
      def initialize(here, there)
        @here = here
        @there = there
      end

      # @return [Array<Line>]
      def lines
        claims = (@here.said + @there.said).uniq { |claim| [claim.trait, claim.value] }
        claims.map { |claim| line(claim) }.sort_by { |line| [-line.apart, line.id] }
      end

      private

      def line(claim)
        counts = [@here, @there].map { |claims| claims.count(claim) }
        apart = counts.map { |n, m| m.zero? ? 0.0 : n / m.to_f }.reduce(:-).abs
        Line.new(id: claim.id, aspect: claim.kind.aspect, words: claim.words, here: counts[0], there: counts[1], apart: apart.round(3))
      end
    end
  end
end
