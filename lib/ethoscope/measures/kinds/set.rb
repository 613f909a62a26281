# frozen_string_literal: true

module Ethoscope
  module Measures
    module Kinds
      # Things that are there, each with its weight: two sets are as far apart as the share of their weights that they do not have in common
      # (weighted Jaccard distance; Ioffe, "Improved consistent sampling, weighted minhash and L1 sketching", 2010).
      class Set
        # @param of [Symbol] field of an element that names it
        # @param weight [Symbol, nil] field of its weight; nil: each weighs the same
        # @param most [Integer] elements that are worded
        def initialize(of:, weight: nil, most: 8)
          @of = of
          @weight = weight
          @most = most
          freeze
        end

        # @return [Symbol]
        def name = :set

        # @param one [Array<Hash>] a value
        # @param other [Array<Hash>] a value
        # @return [Float] in per cent
        def distance(one, other)
          mine, theirs = [one, other].map { |value| weights(value) }
          names = mine.keys | theirs.keys
          together = names.sum { |name| [mine[name], theirs[name]].min }
          whole = names.sum { |name| [mine[name], theirs[name]].max }
          whole.zero? ? 0.0 : 100 * (1 - (together / whole.to_f))
        end

        # @param values [Array<Array<Hash>>] one a song
        # @return [Hash] value: what is in at least half of them, by weight; spread: nil; songs: how many have at least half of it
        def common(values)
          sets = values.map { |value| weights(value) }
          names = sets.flat_map(&:keys).tally.select { |_, count| count * 2 >= sets.size }.keys
          { value: names.map { |name| element(name, sets) }.sort_by { |element| -(element[@weight] || 0) }, spread: nil, songs: sets.count do |set|
            names.count do |name|
              set.key?(name)
            end * 2 >= names.size
          end }
        end

        # @param value [Array<Hash>]
        # @return [String]
        def words(value, _unit) = value.empty? ? "none" : value.first(@most).map { |element| element.fetch(@of) }.join(" ")

        # @return [String]
        def tolerance_words(tolerance, unit) = tolerance.zero? ? "exact" : "up to #{Kinds.plain(tolerance)} #{unit} apart"

        private

        def weights(value) = value.to_h { |element| [element.fetch(@of), @weight ? element.fetch(@weight) : 1] }.tap { |all| all.default = 0 }

        def element(name, sets) = @weight ? { @of => name, @weight => sets.sum { |set| set[name] }.fdiv(sets.size).round(3) } : { @of => name }
      end
    end
  end
end
