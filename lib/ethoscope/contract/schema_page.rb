# frozen_string_literal: true

module Ethoscope
  module Contract
    # The contract as a page for people: docs/schema.md.
    module SchemaPage
      # @param head [String] what stands before
      # @param shapes [Array<Shape>]
      # @param words [Hash{Symbol => Array<String>}]
      # @return [String] Markdown
      def self.page(head, shapes, words)
        parts = shapes.map { |shape| "## #{shape.name}\n\n#{"#{shape.about}\n\n" unless shape.about.empty?}#{table(shape.type)}" }
        lists = words.map { |name, list| "| #{name} | #{list.join(", ")} |\n" }
        [head, *parts, "## Words\n\n| list | words |\n|---|---|\n#{lists.join}"].join("\n")
      end

      def self.table(type)
        base, fields = type.kind == :extended ? type.of : [nil, type.of]
        rows = fields.map { |field| "| `#{field.name}`#{" (may be missing)" if field.optional} | #{words(field.type)} | #{field.about} |\n" }
        "#{"All of #{base}, and:\n\n" if base}| field | holds | |\n|---|---|---|\n#{rows.join}"
      end
      private_class_method :table

      def self.words(type)
        case type.kind
        when :list then "list of #{words(type.of)}"
        when :tuple then "[#{type.of.map { |part| words(part) }.join(", ")}]"
        when :map then "#{words(type.of)} by name"
        when :maybe then "#{words(type.of)} or null"
        when :one_of then type.of.join(" or ")
        when :either then type.of.map { |part| words(part) }.join(" or ")
        when :object then "{#{type.of.map { |field| "`#{field.name}` #{words(field.type)}" }.join(", ")}}"
        when :words, :shape then type.of.to_s
        else type.kind.to_s
        end
      end
      private_class_method :words
    end
  end
end
