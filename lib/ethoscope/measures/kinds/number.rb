# frozen_string_literal: true

module Ethoscope
  module Measures
    module Kinds
      # A figure, by itself or as one field of a value. The way is our own.
      class Number
        # @param field [Symbol, nil] of the value that holds the figure; nil when the value is the figure
        # @param digits [Integer] after the point, where it is worded
        # @param scale [Numeric] what the figure is multiplied with to be in the measure's unit
        def initialize(field: nil, digits: 1, scale: 1)
          @field = field
          @digits = digits
          @scale = scale
          freeze
        end

        # @return [Symbol]
        def name = :number

        # @param value [Object]
        # @return [Numeric] in the measure's unit
        def figure(value) = (@field ? value.fetch(@field) : value) * @scale

        # @param one [Object] a value
        # @param other [Object] a value
        # @return [Numeric]
        def distance(one, other) = (figure(one) - figure(other)).abs

        # @param values [Array<Object>] one a song
        # @return [Hash] value: the one in the middle; spread: half the way from the smallest to the largest; songs: all of them
        def common(values)
          low, high = values.map { |value| figure(value) }.minmax
          { value: values.sort_by { |value| figure(value) }[values.size / 2], spread: (high - low) / 2.0, songs: values.size }
        end

        # @param value [Object]
        # @param unit [String]
        # @return [String]
        def words(value, unit) = "#{Readings::Words.signed(figure(value).round(@digits), @digits)} #{unit}".strip

        # @param tolerance [Numeric]
        # @param unit [String]
        # @return [String]
        def tolerance_words(tolerance, unit) = tolerance.zero? ? "exact" : "±#{Kinds.plain(tolerance)} #{Kinds.apart(unit)}".strip
      end
    end
  end
end
