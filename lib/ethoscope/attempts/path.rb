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

      # Best sums that end with a pair, with a bar cut, with a bar added; and whence each came.
      def fill
        @best = Array.new(3) { Array.new(@rows + 1) { Array.new(@columns + 1, WORST) } }
        @from = Array.new(3) { Array.new(@rows + 1) { Array.new(@columns + 1, 0) } }
        @best[0][0][0] = 0.0
        (0..@rows).each do |i|
          (0..@columns).each do |j|
            pair(i, j) if i.positive? && j.positive?
            cut(i, j) if i.positive?
            add(i, j) if j.positive?
          end
        end
      end

      def pair(i, j)
        ended = @borders.include?(i - 1) ? AT_BORDER : 0.0
        options = [@best[0][i - 1][j - 1], @best[1][i - 1][j - 1] + ended, @best[2][i - 1][j - 1] + ended]
        keep(0, i, j, options, @like[i - 1][j - 1])
      end

      def cut(i, j)
        open = j == @columns ? STOP : OPEN
        keep(1, i, j, [@best[0][i - 1][j] - open, @best[1][i - 1][j], @best[2][i - 1][j] - open], -EXTEND)
      end

      def add(i, j)
        open = i.zero? || i == @rows ? EDGE : OPEN
        keep(2, i, j, [@best[0][i][j - 1] - open, @best[1][i][j - 1] - open, @best[2][i][j - 1]], -EXTEND)
      end

      def keep(state, i, j, options, gain)
        most = options.max
        @best[state][i][j] = most + gain
        @from[state][i][j] = options.index(most)
      end

      def trace
        i = @rows
        j = @columns
        state = (0..2).max_by { |one| @best[one][i][j] }
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
