# frozen_string_literal: true

require "json"

module Ethoscope
  module Export
    # A checklist as JSON: items with their targets, each by the short name of its measure, with its place and its value as the registry has them.
    module ChecklistJson
      FIELDS = %i[number stage title target tolerance minutes steps fallback from].freeze

      # @param checklist [Hash] title, aim, school, and items as {ChecklistMarkdown} takes them, with targets as {Measures::Target#to_h} gives them
      # @return [String]
      def self.write(checklist)
        items = checklist[:items].map { |item| item.slice(*FIELDS).merge(targets: item[:targets].map { |one| target(one) }) }
        JSON.pretty_generate(checklist.slice(:title, :aim, :school).merge(items:))
      end

      def self.target(data) = { measure: data[:measure].split(".").last, id: data[:measure], **data.except(:measure) }
      private_class_method :target
    end
  end
end
