# frozen_string_literal: true

require "csv"

module Ethoscope
  module Export
    # What was done on checklists as comma-separated values, the oldest first, one row an entry.
    module LogbookCsv
      COLUMNS = %w[at list stage item box_minutes seconds decision why].freeze
      TEXTS = %i[list stage title decision why].freeze

      # @param entries [Array<Hash>] newest first: at, list, stage, title, box, seconds, decision, why
      # @return [String] CSV with a header row
      def self.write(entries)
        CSV.generate do |csv|
          csv << COLUMNS
          entries.reverse_each do |entry|
            list, stage, title, decision, why = entry.values_at(*TEXTS).map { |text| Cells.harmless(text) }
            csv << [entry[:at], list, stage, title, entry[:box], entry[:seconds], decision, why]
          end
        end
      end
    end
  end
end
