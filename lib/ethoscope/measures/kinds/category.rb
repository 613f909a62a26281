# frozen_string_literal: true

module Ethoscope
  module Measures
    module Kinds
      # One of several: two are the same or not, unless a table says how far apart they are. The way is our own.
      class Category
        # @param by [#call] value to what is compared and said of it
        # @param apart [#call, nil] two values to their distance, where there is more than the same and not the same
        # @param merge [#call] values that are the same to the one that stands for them
        def initialize(by: :itself.to_proc, apart: nil, merge: :first.to_proc)
          @by = by
          @apart = apart
          @merge = merge
          freeze
        end

        # @return [Symbol]
        def name = :category

        # @param one [Object] a value
        # @param other [Object] a value
        # @return [Numeric] 0 or 1, or what the table says
        def distance(one, other)
          return 0 if @by.call(one) == @by.call(other)

          @apart ? @apart.call(one, other) : 1
        end

        # @param values [Array<Object>] one a song
        # @return [Hash] value: the most common; spread: nil; songs: how many have it
        def common(values)
          group = values.group_by(&@by).values.max_by(&:size)
          { value: @merge.call(group), spread: nil, songs: group.size }
        end

        # @param value [Object]
        # @return [String]
        def words(value, _unit) = @by.call(value).to_s

        # @param tolerance [Numeric]
        # @param unit [String]
        # @return [String]
        def tolerance_words(tolerance, unit) = tolerance.zero? ? "exact" : "±#{Kinds.plain(tolerance)} #{unit}"
      end
    end
  end
end
