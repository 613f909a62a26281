# frozen_string_literal: true

module Ethoscope
  module Export
    # Text from people as cells of a table.
    module Cells
      # Spreadsheets reckon with cells that begin with one of these signs, so text gets an apostrophe before them.
      #
      # @param text [String]
      # @return [String]
      def self.harmless(text) = text.match?(/\A[=+\-@\t\r]/) ? "'#{text}" : text
    end
  end
end
