# frozen_string_literal: true

module Ethoscope
  module Attempts
    # Lays the bars of an attempt on those of a reference: the path through a matrix of likeness that explains most, with bars cut and bars added in
    # runs that cost something to begin (global alignment with affine gaps, Gotoh, "An improved algorithm for matching biological sequences", J. Mol.
    # Biol. 1982). A run that ends where a section of the reference begins costs less: people cut the ends of sections.
    class Path
      # What it costs to begin a run of cut or added bars within the song; of added ones before or behind it; and of bars that are left out behind the last one, for
      # many attempts stop before the song does. Then what each bar of a run costs.
      OPEN = 2.4
      EDGE = 2.0
      STOP = 1.0
      EXTEND = 0.05
      # What a run costs less for ending where a section begins.
      AT_BORDER = 0.8
      WORST = -1e9

      # @param likeness [Numo::DFloat] shape [bars of the reference, bars of the attempt]
      # @param borders [Array<Integer>] first bars of the reference's sections, from 1
      def initialize(likeness, borders)
        @rows, @columns = likeness.shape
        @like = likeness.to_a
        @borders = borders.to_set { |bar| bar - 1 } << @rows
      end

      # @return [Array<Array(Integer, nil)>] [bar of the reference, bar of the attempt], either of them nil, from 1, in order
      def pairs
        fill
        trace
      end

      private

      # Best sums that end with a pair, with a bar cut, with a bar added, row by row; and whence each came. Numbers are kept in local variables: this is most of the
      # time that a comparison takes.
      def fill
        @from = Array.new(3) { Array.new(@rows + 1) }
        row = first_row
        (1..@rows).each { |i| row = next_row(i, *row) }
        @last = row
      end

      def first_row
        pairs = Array.new(@columns + 1, WORST)
        pairs[0] = 0.0
        added = Array.new(@columns + 1) { |j| j.zero? ? WORST : -EDGE - (j * EXTEND) }
        @from[0][0] = @from[1][0] = Array.new(@columns + 1, 0)
        @from[2][0] = Array.new(@columns + 1) { |j| j > 1 ? 2 : 0 }
        [pairs, Array.new(@columns + 1, WORST), added]
      end

      def next_row(i, pairs, cuts, adds)
        paired(i, pairs, cuts, adds).then { |now| [now, cut(i, pairs, cuts, adds)] }.then { |now, cut| [now, cut, added(i, now, cut)] }
      end

      def paired(i, pairs, cuts, adds)
        ended = @borders.include?(i - 1) ? AT_BORDER : 0.0
        like = @like[i - 1]
        @from[0][i] = from = Array.new(@columns + 1, 0)
        Array.new(@columns + 1) do |j|
          next WORST if j.zero?

          one = pairs[j - 1]
          two = cuts[j - 1] + ended
          three = adds[j - 1] + ended
          most = [one, two, three].max
          from[j] = whence(most, one, two)
          most + like[j - 1]
        end
      end

      def cut(i, pairs, cuts, adds)
        @from[1][i] = from = Array.new(@columns + 1, 0)
        Array.new(@columns + 1) do |j|
          open = j == @columns ? STOP : OPEN
          one = pairs[j] - open
          two = cuts[j]
          three = adds[j] - open
          most = [one, two, three].max
          from[j] = whence(most, one, two)
          most - EXTEND
        end
      end

      # Each place rests on the one before it in the same row.
      def added(i, pairs, cuts)
        open = i == @rows ? EDGE : OPEN
        @from[2][i] = from = Array.new(@columns + 1, 0)
        before = WORST
        Array.new(@columns + 1) do |j|
          next WORST if j.zero?

          one = pairs[j - 1] - open
          two = cuts[j - 1] - open
          most = [one, two, before].max
          from[j] = whence(most, one, two)
          before = most - EXTEND
        end
      end

      def whence(most, one, two)
        if most == one then 0
        else
          most == two ? 1 : 2
        end
      end

      def trace
        i = @rows
        j = @columns
        state = (0..2).max_by { |one| @last[one][j] }
        out = []
        while i.positive? || j.positive?
          before = @from[state][i][j]
          out << [state == 2 ? nil : i, state == 1 ? nil : j]
          i -= 1 unless state == 2
          j -= 1 unless state == 1
          state = before
        end
        out.reverse
      end
    end
  end
end
