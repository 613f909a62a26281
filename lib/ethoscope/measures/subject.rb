# frozen_string_literal: true

module Ethoscope
  module Measures
    # One song as measures read it: its settled analysis, and the values that a person put in the place of measured ones while they are not worked
    # in yet. The way is our own.
    class Subject
      # @return [Hash] the analysis schema, with what a person says laid over it
      attr_reader :data

      # @param analysis [Analysis]
      # @param corrections [Hash{String => Hash}] value by aspect: "tempo" => {bpm:}, "key" => {tonic:, mode:}, "meter" => {name:}
      def initialize(analysis, corrections: {})
        @data = analysis.to_h
        @corrections = corrections
        freeze
      end

      # @return [Float, nil] beats per minute
      def bpm = @corrections.dig("tempo", :bpm)&.to_f || data[:tempo][:bpm]

      # @return [String] such as "4/4"
      def meter = @corrections.dig("meter", :name) || data[:meter]

      # @return [Harmony::Key, nil]
      def key
        found = @corrections["key"] || data[:key]
        found && Harmony::Key.named(found[:tonic], found[:mode])
      end

      # @param aspect [String]
      # @return [Boolean] whether a person put something in the place of what was measured
      def corrected?(aspect) = @corrections.key?(aspect)

      # @return [Integer] number of bars
      def bars = data[:bars].size

      # @return [Array<Hash>] sections in the schema
      def sections = data[:sections]

      # @param section [Hash]
      # @return [Array<Hash>] its bars in the schema
      def bars_of(section) = data[:bars][section[:first_bar] - 1, section[:bars]] || []

      # @param value [Object, nil]
      # @param aspect [String] of the reading that tells it
      # @param sure [Float, nil] 0 to 1
      # @param source [String] in the words of the schema, where no person spoke
      # @return [Array<Hash>] for a measure of the whole song: one value, none for nil
      def whole(value, aspect:, sure: 1.0, source: "mix")
        return [] if value.nil?

        corrected?(aspect) ? [{ value:, source: "person", confidence: 1.0 }] : [{ value:, source: Measured.source(source), confidence: sure || 0.0 }]
      end

      # Reads something off each section.
      #
      # @param aspect [String] of the reading that tells it
      # @param sure [#call, nil] section to 0..1; nil: as sure as the section is
      # @param source [String] in the words of the schema
      # @yieldparam section [Hash]
      # @yieldreturn [Object, nil] nil: nothing there
      # @return [Array<Hash>]
      def by_section(aspect:, sure: nil, source: "mix")
        sections.filter_map do |section|
          value = yield(section)
          next if value.nil?

          { value:, place: Place.of_section(section), source: corrected?(aspect) ? "person" : Measured.source(source),
            confidence: sure ? sure.call(section) : section[:confidence] || 1.0 }
        end
      end

      # @return [Hash] which source leads for count, chords, bass and drums
      def told_by = data[:told_by]
    end
  end
end
