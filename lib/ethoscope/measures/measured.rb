# frozen_string_literal: true

module Ethoscope
  module Measures
    # One value of a {Vector}: of which measure (its id) and where, what was read there, which source told it (one of SOURCES) and how sure
    # that is (0 to 1). The way is our own.
    Measured = Value.of(:measure, :place, :value, :source, :confidence)

    # Knows its sources, the best first.
    class Measured
      SOURCES = %w[person notes stem mix].freeze
      # What the schema of an analysis calls them.
      NAMES = { "midi" => "notes", "heard" => "person" }.freeze

      # @param name [String] of a source in the schema of an analysis
      # @return [String] one of SOURCES
      def self.source(name) = NAMES.fetch(name, name)
    end
  end
end
