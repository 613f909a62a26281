# frozen_string_literal: true

require "csv"

module Ethoscope
  module Export
    # Rows as comma-separated values. Text from people can't be taken for a formula.
    module TableCsv
      # @param columns [Array<String>]
      # @param rows [Array<Array>]
      # @return [String] CSV with a header row
      def self.write(columns, rows)
        CSV.generate do |csv|
          csv << columns
          rows.each { |row| csv << row.map { |cell| cell.is_a?(String) ? Cells.harmless(cell) : cell } }
        end
      end
    end
  end
end
