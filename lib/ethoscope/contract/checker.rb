# frozen_string_literal: true

module Ethoscope
  module Contract
    # Tells where data are not as their shape says.
    class Checker
      PLAIN = { string: [String], number: [Numeric], boolean: [TrueClass, FalseClass], unknown: [Object] }.freeze
      # Elements of a list that are usually looked at.
      LOOKED_AT = 40

      # @param shapes [Array<Shape>]
      # @param words [Hash{Symbol => Array<String>}]
      # @param looked_at [Integer] elements of a list that are looked at
      def initialize(shapes, words, looked_at: LOOKED_AT)
        @shapes = shapes.to_h { |shape| [shape.name, shape.type] }
        @words = words
        @looked_at = looked_at
      end

      # @param type [Type]
      # @param data [Object] parsed JSON with symbol keys
      # @param path [String]
      # @return [Array<String>] a sentence for each place that is not as the type says
      def problems(type, data, path = "answer") = send(:"check_#{PLAIN.key?(type.kind) ? :plain : type.kind}", type, data, path)

      private

      def check_plain(type, data, path) = PLAIN.fetch(type.kind).any? { |kind| data.is_a?(kind) } ? [] : ["#{path} is no #{type.kind} but #{data.inspect[0, 60]}"]

      def check_maybe(type, data, path) = data.nil? ? [] : problems(type.of, data, path)

      def check_words(type, data, path) = @words.fetch(type.of).include?(data) ? [] : ["#{path} is none of #{type.of} but #{data.inspect}"]

      def check_one_of(type, data, path) = type.of.include?(data) ? [] : ["#{path} is none of #{type.of.join(", ")} but #{data.inspect}"]

      def check_either(type, data, path)
        found = type.of.map { |part| problems(part, data, path) }
        found.any?(&:empty?) ? [] : found.first
      end

      def check_shape(type, data, path) = problems(@shapes.fetch(type.of), data, path)

      def check_list(type, data, path)
        data.is_a?(Array) ? data.first(@looked_at).each_with_index.flat_map { |element, i| problems(type.of, element, "#{path}[#{i}]") } : ["#{path} is no list"]
      end

      def check_tuple(type, data, path)
        return ["#{path} is no list of #{type.of.size}"] unless data.is_a?(Array) && data.size == type.of.size

        data.zip(type.of).each_with_index.flat_map { |(element, part), i| problems(part, element, "#{path}[#{i}]") }
      end

      def check_map(type, data, path) = data.is_a?(Hash) ? data.flat_map { |name, element| problems(type.of, element, "#{path}.#{name}") } : ["#{path} is no map"]

      def check_object(type, data, path) = check_fields(type.of, data, path)

      def check_extended(type, data, path) = check_fields(fields(type), data, path)

      # Its own fields, and those of what it extends; its own word on a field holds.
      def fields(type)
        return type.of unless type.kind == :extended

        own = type.of.last
        fields(@shapes.fetch(type.of.first)).reject { |field| own.any? { |other| other.name == field.name } } + own
      end

      def check_fields(fields, data, path)
        return ["#{path} is no object"] unless data.is_a?(Hash)

        unknown = (data.keys - fields.map(&:name)).map { |name| "#{path}.#{name} is not in the contract" }
        missing, there = fields.partition { |field| !data.key?(field.name) }
        unknown + missing.reject(&:optional).map { |field| "#{path}.#{field.name} is missing" } +
          there.flat_map { |field| problems(field.type, data[field.name], "#{path}.#{field.name}") }
      end
    end
  end
end
