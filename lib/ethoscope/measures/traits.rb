# frozen_string_literal: true

require "digest"

module Ethoscope
  module Measures
    # Every trait that there is: those of the families, each in a file of its own under traits/. The way is our own.
    module Traits
      # @return [Array<Trait>] family by family
      def self.all = @all ||= constants.sort.map { |name| const_get(name) }.flat_map { |family| family::TRAITS }.freeze

      # @param id [String]
      # @return [Trait]
      # @raise [KeyError] when there is no such trait
      def self.fetch(id) = by_id.fetch(id)

      # @param id [String]
      # @return [Boolean]
      def self.known?(id) = by_id.key?(id)

      def self.by_id = @by_id ||= all.to_h { |trait| [trait.id, trait] }.freeze
      private_class_method :by_id
    end
  end
end
