# frozen_string_literal: true

require "json"
require "time"

module Store
  # What the tables share: the clock, and rows that must exist.
  class Rows
    # @param db [Sequel::Database]
    def initialize(db)
      @db = db
    end

    private

    attr_reader :db

    def now = Time.now.utc.iso8601(3)

    def existing(row, kind) = row || raise(Missing, "There is no such #{kind}. It may have been removed.")

    # A row that comes back may point to one that is gone for good; it loses that link then.
    def tied(row, links)
      lost = links.select { |column, table| row[column] && db[table].where(id: row[column]).empty? }
      row.merge(lost.transform_values { nil })
    end

    def parse(text) = text && JSON.parse(text, symbolize_names: true)
  end
end
