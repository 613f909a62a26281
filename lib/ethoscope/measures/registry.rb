# frozen_string_literal: true

require "digest"

module Ethoscope
  module Measures
    # Every measure that there is: those of the families, each in a file of its own under families/. There is no other list of them.
    # The way is our own.
    module Registry
      # Grows when a reader changes what it gives, so that vectors that were kept are read anew.
      REVISION = 4

      # @return [Array<Measure>] family by family
      def self.all = @all ||= families.flat_map { |family| family::MEASURES }.freeze

      # @return [Array<Module>] the families, by name
      def self.families = Families.constants.sort.map { |name| Families.const_get(name) }

      # @param id [String]
      # @return [Measure]
      # @raise [KeyError] when there is no such measure
      def self.fetch(id) = by_id.fetch(id)

      # @param id [String]
      # @return [Boolean]
      def self.known?(id) = by_id.key?(id)

      # @return [String] changes when measures come, go or read something else
      def self.edition = @edition ||= "#{REVISION}-#{Digest::SHA256.hexdigest([*all, *Traits.all].map(&:id).join(","))[0, 12]}"

      def self.by_id = @by_id ||= all.to_h { |measure| [measure.id, measure] }.freeze
      private_class_method :by_id
    end
  end
end
