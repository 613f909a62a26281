# frozen_string_literal: true

require "json"

module Ethoscope
  module Export
    # Everything that was measured, with what a person says laid over it, in the schema of an analysis.
    module AnalysisJson
      # @param song [Handout]
      # @return [String] JSON for people to read
      def self.write(song) = JSON.pretty_generate(song.analysis.to_h)
    end
  end
end
