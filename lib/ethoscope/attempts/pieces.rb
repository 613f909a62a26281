# frozen_string_literal: true

module Ethoscope
  module Attempts
    # The bars that both songs have, in pieces of a few bars that end where a section of the reference ends or where bars are cut. The way is our own.
    class Pieces
      # Bars of a piece: enough for what comes and goes to be told from what is only played otherwise once.
      BARS = 8

      # Bars of the reference and those of the attempt that lie on them, as rows of arrays, from 0.
      Piece = Value.of(:reference, :attempt)

      include Enumerable

      # @param alignment [BarMap]
      # @param borders [Array<Integer>] first bars of the reference's sections
      # @param bars [Integer] of a piece at most
      def initialize(alignment, borders, bars: BARS)
        @pieces = runs(alignment.bars.sort, borders.to_set).flat_map { |run| slices(run, bars) }.map do |slice|
          Piece.new(reference: slice.map { |one, _| one - 1 }, attempt: slice.map { |_, other| other - 1 })
        end
        freeze
      end

      # @return [Integer]
      def size = @pieces.size

      # @yieldparam piece [Piece]
      def each(&) = @pieces.each(&)

      private

      def runs(pairs, borders) = pairs.slice_when { |(one, other), (after, later)| after != one + 1 || later != other + 1 || borders.include?(after) }

      # As even as can be, so that no single bar is left over.
      def slices(run, bars)
        count = (run.size / bars.to_f).ceil
        edges = (0..count).map { |i| (run.size * i / count.to_f).round }
        edges.each_cons(2).map { |from, to| run[from...to] }
      end
    end
  end
end
