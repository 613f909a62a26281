# frozen_string_literal: true

module Ethoscope
  module Contract
    # How types are written down in shapes.
    module Notation
      STRING = Type.new(kind: :string, of: nil)
      NUMBER = Type.new(kind: :number, of: nil)
      BOOLEAN = Type.new(kind: :boolean, of: nil)
      UNKNOWN = Type.new(kind: :unknown, of: nil)

      # @param type [Type]
      # @return [Type] a list of such
      def list(type) = Type.new(kind: :list, of: type)

      # @param types [Array<Type>]
      # @return [Type] so many, in that order
      def tuple(*types) = Type.new(kind: :tuple, of: types)

      # @param type [Type]
      # @return [Type] such things by name
      def map(type) = Type.new(kind: :map, of: type)

      # @param type [Type]
      # @return [Type] that, or null
      def maybe(type) = Type.new(kind: :maybe, of: type)

      # @param fields [Hash{Symbol => Type, Array(Type, String)}] a name that ends with ? may be missing; the text says what it means
      # @return [Type]
      def object(**fields) = Type.new(kind: :object, of: Field.list(fields))

      # @param words [Array<String>]
      # @return [Type] one of these words
      def one_of(*words) = Type.new(kind: :one_of, of: words)

      # @param types [Array<Type>]
      # @return [Type] one of these
      def either(*types) = Type.new(kind: :either, of: types)

      # @param name [Symbol] of a list of words
      # @return [Type]
      def words(name) = Type.new(kind: :words, of: name)

      # @param name [Symbol] of a shape
      # @return [Type]
      def shape(name) = Type.new(kind: :shape, of: name)

      # @param name [Symbol] of a new shape
      # @param about [String] a sentence on what it is
      # @param fields [Hash] see {#object}
      # @return [Shape]
      def named(name, about = "", **fields) = Shape.new(name:, type: object(**fields), about:)

      # @param name [Symbol] of a new shape
      # @param base [Symbol] of the shape that it is with more fields
      # @param about [String]
      # @param fields [Hash] see {#object}
      # @return [Shape]
      def more(name, base, about = "", **fields) = Shape.new(name:, type: extended(base, **fields), about:)

      # @param name [Symbol] of a shape
      # @param fields [Hash] see {#object}
      # @return [Type] that shape with more fields
      def extended(name, **fields) = Type.new(kind: :extended, of: [name, Field.list(fields)])
    end
  end
end
