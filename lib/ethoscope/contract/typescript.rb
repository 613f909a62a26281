# frozen_string_literal: true

require "json"

module Ethoscope
  module Contract
    # The contract as types of the front end.
    module Typescript
      HEAD = <<~TEXT
        // Written by `rake contract:write` from the shapes and words that Ruby declares. Not to be changed by hand.
      TEXT
      PLAIN = { string: "string", number: "number", boolean: "boolean", unknown: "unknown" }.freeze

      # Types that are put in parentheses where there is a list of them.
      CHOICES = %i[maybe either one_of].freeze

      # @param shapes [Array<Shape>]
      # @param words [Hash{Symbol => Array<String>}]
      # @param tables [Hash{String => Object}] constants besides, as plain data; a name may say its type
      # @return [String] a TypeScript module
      def self.source(shapes, words, tables)
        constants = tables.map { |name, data| "export const #{name} = #{JSON.generate(data)}#{" as const" unless name.include?(":")};\n" }
        [HEAD, *words.map { |name, list| union(name, list) }, *constants, *shapes.map { |shape| interface(shape) }].join("\n")
      end

      # @param name [Symbol] of a list of words
      # @return [String] of its constant: ReadingState becomes READING_STATES
      def self.constant(name)
        words = name.to_s.gsub(/(?<=[a-z])([A-Z])/, '_\1').upcase
        words.end_with?("S") ? words : "#{words.sub(/Y\z/, "IE")}S"
      end

      def self.union(name, list) = "export const #{constant(name)} = #{JSON.generate(list)} as const;\nexport type #{name} = (typeof #{constant(name)})[number];\n"
      private_class_method :union

      def self.interface(shape)
        base, own = shape.type.kind == :extended ? shape.type.of : [nil, shape.type.of]
        "#{comment(shape.about, "")}export interface #{shape.name}#{" extends #{base}" if base} {\n#{fields(own, "  ")}}\n"
      end
      private_class_method :interface

      def self.fields(list, indent) = list.map { |field| "#{comment(field.about, indent)}#{indent}#{field.name}#{"?" if field.optional}: #{type(field.type, indent)};\n" }.join
      private_class_method :fields

      def self.comment(text, indent) = text.empty? ? "" : "#{indent}/** #{text} */\n"
      private_class_method :comment

      def self.type(type, indent)
        case type.kind
        when :one_of then type.of.map { |word| JSON.generate(word) }.join(" | ")
        when :either, :tuple then several(type, indent)
        when :list then CHOICES.include?(type.of.kind) ? "(#{type(type.of, indent)})[]" : "#{type(type.of, indent)}[]"
        when :map then "Record<string, #{type(type.of, indent)}>"
        when :maybe then "#{type(type.of, indent)} | null"
        when :object then "{\n#{fields(type.of, "#{indent}  ")}#{indent}}"
        when :words, :shape then type.of.to_s
        else PLAIN.fetch(type.kind)
        end
      end
      private_class_method :type

      def self.several(type, indent)
        parts = type.of.map { |part| type(part, indent) }
        type.kind == :tuple ? "[#{parts.join(", ")}]" : parts.join(" | ")
      end
      private_class_method :several
    end
  end
end
