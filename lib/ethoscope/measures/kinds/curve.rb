# frozen_string_literal: true

module Ethoscope
  module Measures
    module Kinds
      # Figures along time or frequency. Two curves are as far apart as they are in the mean; the shorter one is stretched to the longer one's length
      # by linear interpolation. The way is our own.
      class Curve
        # @param digits [Integer] after the point, where it is worded
        def initialize(digits: 1)
          @digits = digits
          freeze
        end

        # @return [Symbol]
        def name = :curve

        # @param one [Array<Numeric>]
        # @param other [Array<Numeric>]
        # @return [Float]
        def distance(one, other)
          return one.size == other.size ? 0.0 : Float::INFINITY if one.empty? || other.empty?

          length = [one.size, other.size].max
          stretched(one, length).zip(stretched(other, length)).sum { |a, b| (a - b).abs } / length.to_f
        end

        # @param values [Array<Array<Numeric>>] one a song
        # @return [Hash] value: the middle of them point by point; spread: nil; songs: all of them
        def common(values)
          curves = values.reject(&:empty?)
          length = curves.map(&:size).max || 0
          points = curves.map { |curve| stretched(curve, length) }.transpose
          { value: points.map { |figures| Signal::Middle.of(figures).round(3) }, spread: nil, songs: curves.size }
        end

        # @param value [Array<Numeric>]
        # @param unit [String]
        # @return [String] from its lowest to its highest
        def words(value, unit)
          return "none" if value.empty?

          low, high = value.minmax.map { |figure| Readings::Words.signed(figure, @digits) }
          "#{low == high ? low : "#{low} to #{high}"} #{unit}".strip
        end

        # @return [String]
        def tolerance_words(tolerance, unit) = tolerance.zero? ? "exact" : "±#{Kinds.plain(tolerance)} #{unit} in the mean"

        private

        def stretched(curve, length)
          return curve if curve.size == length
          return Array.new(length, curve.first) if curve.size == 1

          Array.new(length) do |i|
            place = i * (curve.size - 1) / (length - 1).to_f
            low = place.floor.clamp(0, curve.size - 2)
            curve[low] + ((curve[low + 1] - curve[low]) * (place - low))
          end
        end
      end
    end
  end
end
