# frozen_string_literal: true

module Ethoscope
  module Measures
    module Kinds
      # Strokes on the steps of one or more bars. Two grids are as far apart as their strokes fail to agree: 1 less the F-measure of the steps that
      # are struck, each repeated over as many bars as the longer one has. The way is our own.
      class Grid
        # A step is struck from this strength on, of 1.
        STRUCK = 0.5
        # Strokes that are softer than this share of the hard ones are played softly.
        SOFT = 0.5

        # @return [Symbol]
        def name = :grid

        # @param one [Hash] steps (of a bar), bars, hits (0 to 1 by step)
        # @param other [Hash]
        # @return [Float] 0 to 1
        def distance(one, other)
          return 1.0 unless one[:steps] == other[:steps]

          bars = one[:bars].lcm(other[:bars])
          mine, theirs = [one, other].map { |grid| struck(grid, bars) }
          both = (mine & theirs).size
          total = mine.size + theirs.size
          total.zero? ? 0.0 : 1 - (2.0 * both / total)
        end

        # @param values [Array<Hash>] one a song
        # @return [Hash] value: the grid whose strokes are the most common; spread: nil; songs: how many have them
        def common(values)
          group = values.group_by { |grid| [grid[:steps], *grid[:hits].map { |hit| hit >= STRUCK }] }.values.max_by(&:size)
          { value: group.first, spread: nil, songs: group.size }
        end

        # @param value [Hash]
        # @return [String] the steps that are struck, from 1
        def words(value, _unit)
          steps = struck(value, value[:bars]).map { |step| step + 1 }
          steps.empty? ? "no step" : "steps #{steps.join(" ")} of #{value[:steps] * value[:bars]}"
        end

        # @return [String]
        def tolerance_words(tolerance, _unit) = tolerance.zero? ? "every step" : "#{((1 - tolerance) * 100).round} % of steps"

        private

        def struck(grid, bars)
          hits = grid[:hits].each_index.select { |step| grid[:hits][step] >= STRUCK }
          (0...(bars / grid[:bars])).flat_map { |turn| hits.map { |step| step + (turn * grid[:steps] * grid[:bars]) } }
        end
      end
    end
  end
end
