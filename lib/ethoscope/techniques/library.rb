# frozen_string_literal: true

require "yaml"

module Ethoscope
  module Techniques
    # The techniques that Ethoscope knows, and the detectors that look for them. The method is our own.
    module Library
      # One file of entries for each family.
      FAMILIES = %w[rhythm harmony arrangement sound space dynamics transition].freeze
      FOLDER = File.join(__dir__, "library")

      # @return [Array<Module>] one for each technique that is looked for, in a file of its own under detectors/, named after its kind
      def self.detectors = @detectors ||= Detectors.constants.sort.map { |name| Detectors.const_get(name) }.freeze

      # @return [Array<Entry>] family by family
      def self.entries
        searched = detectors.map { |detector| detector::KIND }
        @entries ||= FAMILIES.flat_map do |family|
          YAML.safe_load_file(File.join(FOLDER, "#{family}.yml")).map do |kind, texts|
            Entry.new(kind:, family:, defaults: {}, searched: searched.include?(kind), **texts.transform_keys(&:to_sym).tap { |entry| entry[:defaults]&.transform_values!(&:to_s) })
          end
        end.freeze
      end

      # @param kind [String]
      # @return [Entry, nil]
      def self.entry(kind) = entries.find { |entry| entry.kind == kind }

      # @param kind [String]
      # @param texts [Hash] what a person wrote of a technique of their own
      # @return [Entry] with empty texts where nothing was written
      def self.own(kind, texts)
        blank = { name: kind, family: "own", summary: "", hear: "", mix: "", stems: "", midi: "", measure: "", wrong: "", steps: [], defaults: {} }
        Entry.new(kind:, searched: false, **blank, **texts.slice(*blank.keys))
      end

      # @param scene [Scene]
      # @param gaps [Gaps] keeps which detectors failed
      # @return [Array<Sighting>] in order of time
      def self.search(scene, gaps = Gaps.new)
        detectors.flat_map { |detector| gaps.beside("the technique “#{entry(detector::KIND)&.name || detector::KIND}”", []) { detector.find(scene) } }.sort_by(&:start)
      end
    end
  end
end
