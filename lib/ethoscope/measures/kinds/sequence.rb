# frozen_string_literal: true

module Ethoscope
  module Measures
    module Kinds
      # Things one after the other. Two of them are as far apart as there are things to be put in, taken out or changed to make one of the other
      # (Levenshtein, "Binary codes capable of correcting deletions, insertions, and reversals", 1966).
      class Sequence
        # @param by [#call] element to what is compared of it
        # @param says [#call] element to what is said of it
        # @param within [#call] value to its list of elements
        # @param most [Integer] elements that are worded
        def initialize(by: :itself.to_proc, says: by, within: :itself.to_proc, most: 12)
          @by = by
          @says = says
          @within = within
          @most = most
          freeze
        end

        # @return [Symbol]
        def name = :sequence

        # @param one [Object] a value
        # @param other [Object] a value
        # @return [Integer]
        def distance(one, other)
          mine = list(one)
          theirs = list(other)
          theirs.each_with_index.reduce((0..mine.size).to_a) { |row, (thing, i)| next_row(row, mine, thing, i + 1) }.last
        end

        # @param values [Array<Object>] one a song
        # @return [Hash] value: the most common; spread: nil; songs: how many have it
        def common(values)
          group = values.group_by { |value| list(value) }.values.max_by(&:size)
          { value: group.first, spread: nil, songs: group.size }
        end

        # @param value [Object]
        # @return [String]
        def words(value, _unit)
          things = @within.call(value).map(&@says)
          if things.empty?
            "none"
          else
            things.first(@most).join(" ") + (things.size > @most ? " and #{things.size - @most} more" : "")
          end
        end

        # @return [String]
        def tolerance_words(tolerance, unit)
          if tolerance.zero?
            "same order"
          else
            "±#{Kinds.plain(tolerance)} #{tolerance == 1 ? unit.delete_suffix("s") : unit}"
          end
        end

        private

        def list(value) = @within.call(value).map(&@by)

        # The next row of the table of edits.
        def next_row(row, mine, thing, first)
          made = [first]
          mine.each_with_index do |own, i|
            made << [row[i + 1] + 1, made.last + 1, row[i] + (own == thing ? 0 : 1)].min
          end
          made
        end
      end
    end
  end
end
