# frozen_string_literal: true

module Ethoscope
  module Contract
    # A field of an object: name, type, whether it may be missing, and what it means ("" where the name says it).
    Field = Value.of(:name, :type, :optional, :about) do
      # @param fields [Hash]
      # @return [Array<Field>]
      def self.list(fields)
        fields.map do |name, (type, about)|
          new(name: name.to_s.delete_suffix("?").to_sym, type:, optional: name.end_with?("?"), about: about.to_s)
        end
      end
    end
  end
end
