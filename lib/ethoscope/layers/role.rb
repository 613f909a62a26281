# frozen_string_literal: true

require "yaml"

module Ethoscope
  module Layers
    # The roles that a sounding part can have, and what the name of a file or a track tells of them. The method is our own.
    module Role
      ALL = %w[kick snare hats percussion bass chords pad lead counter-melody strings brass guitar vocal texture fx].freeze
      # Those that keep time and have no pitch to speak of.
      STRUCK = %w[kick snare hats percussion].freeze
      # Pieces of a kit that go by the role of another.
      PIECES = { "clap" => "snare", "rim" => "snare", "closed hats" => "hats", "open hats" => "hats", "ride" => "hats", "cymbals" => "hats", "toms" => "percussion" }.freeze
      # What a bounced file may hold beside the roles: all drums in one, and the return of a shared effect.
      DRUMS = "drums"
      RETURN = "return"
      CHOICES = [*ALL, DRUMS, RETURN].freeze
      UNKNOWN = "texture"

      # Words that name a role, the telling ones first.
      WORDS = YAML.safe_load_file(File.join(__dir__, "role_words.yml")).freeze
      # Words that say something only where no other does.
      FAINT = { "bass" => %w[low lows] }.freeze

      # Roles whose names are plural.
      MANY = %w[hats chords strings].freeze

      # @param role [String]
      # @return [Hash] it, and how verbs go with it, for sentences: s, es, is and has
      def self.in_words(role) = MANY.include?(role) ? { role:, s: "", es: "", is: "are", has: "have" } : { role:, s: "s", es: "es", is: "is", has: "has" }

      # @param piece [String] of a kit
      # @return [String] its role
      def self.of_piece(piece) = STRUCK.include?(piece) ? piece : PIECES.fetch(piece, "percussion")

      # @param name [String] of a file or a track
      # @return [String, nil] one of CHOICES; nil when the name tells nothing
      def self.named(name)
        words = name.unicode_normalize(:nfkd).gsub(/(?<=[a-z])(?=[A-Z0-9])/, " ").downcase.gsub(/[^a-z0-9]+/, " ").strip
        [WORDS, FAINT].filter_map { |table| table.find { |_, list| list.any? { |word| words.match?(/(?:\A| )#{Regexp.escape(word)}(?: |\d*\z|\d+ )/) } }&.first }.first
      end
    end
  end
end
