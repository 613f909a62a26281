# frozen_string_literal: true

require "csv"

module Ethoscope
  module Profile
    # Other music, beside which a style is told: the traits of many songs. The one that ships was read by the engine off generated songs (`rake learn:baseline`), a
    # line each in baseline.csv; a study's neighbours can take its place. The way is our own.
    class Baseline
      FILE = File.expand_path("baseline.csv", __dir__)
      # Between the words of a set.
      COMMA = "; "

      # @return [Baseline] the one that ships
      def self.shipped = @shipped ||= new("generated songs", CSV.read(FILE, headers: true).map { |row| parsed(row) })

      def self.parsed(row)
        Measures::Traits.all.each_with_object({}) do |trait, traits|
          text = row[trait.id] or next
          traits[trait.id] = value(trait, text)
        end
      end
      private_class_method :parsed

      def self.value(trait, text)
        case trait.kind
        when :fact then text == "yes"
        when :set then text.split(COMMA)
        when :figure then Float(text)
        else text.match?(/\A\d+\z/) ? Integer(text) : text
        end
      end
      private_class_method :value

      # @param trait [Measures::Trait]
      # @param value [Object]
      # @return [String] as a cell of the table
      def self.cell(trait, value) = { fact: value == true ? "yes" : "no", set: Array(value).join(COMMA) }.fetch(trait.kind, value)

      # @return [String] what music it is
      attr_reader :name
      # @return [Array<Hash>] traits by song
      attr_reader :songs

      # @param name [String]
      # @param songs [Array<Hash>] traits by song
      def initialize(name, songs)
        @name = name
        @songs = songs
        @told = Measures::Traits.all.to_h { |trait| [trait.id, songs.reject { |song| song[trait.id].nil? }.map { |song| song[trait.id] }.freeze] }.freeze
        @tallies = Measures::Traits.all.reject { |trait| trait.kind == :figure }.to_h { |trait| [trait.id, tally(trait)] }.freeze
        freeze
      end

      # @param trait [Measures::Trait] a figure
      # @yieldparam value [Float]
      # @yieldreturn [Boolean] whether a song with it has what is claimed
      # @return [Float, nil] the share of its songs that have it, of those that tell
      def share(trait, &) = part(trait, @told.fetch(trait.id).count(&))

      # @param trait [Measures::Trait] anything but a figure
      # @param value [Object] of a set one of its members
      # @return [Float, nil] the share of its songs that have it, of those that tell
      def share_of(trait, value) = part(trait, @tallies.fetch(trait.id).fetch(value, 0))

      private

      def part(trait, count) = @told.fetch(trait.id).then { |told| told.empty? ? nil : (count / told.size.to_f).round(3) }

      def tally(trait) = @told.fetch(trait.id).flat_map { |value| trait.kind == :set ? value.uniq : [value] }.tally.freeze
    end
  end
end
