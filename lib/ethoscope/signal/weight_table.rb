# frozen_string_literal: true

require "csv"

module Ethoscope
  module Signal
    # A table of learnt weights with named rows and columns, kept as CSV so that people can read it. The method is our own.
    class WeightTable
      # @return [Array<String>] names of the columns
      attr_reader :columns
      # @return [Array<String>] names of the rows
      attr_reader :rows

      # @param path [String] a CSV file: a heading line, then a name and its weights a line; cells may be empty
      # @return [WeightTable]
      def self.read(path)
        heading, *lines = CSV.read(path)
        new(heading.drop(1), lines.to_h { |name, *cells| [name, cells.map { |cell| cell.to_s.empty? ? nil : Float(cell) }] })
      end

      # @param columns [Array<String>]
      # @param cells [Hash{String => Array<Float, nil>}] by row
      # @raise [ArgumentError] when a row has more cells than there are columns
      def initialize(columns, cells)
        raise ArgumentError, "a row is longer than the heading" if cells.values.any? { |row| row.size > columns.size }

        @columns = columns.freeze
        @rows = cells.keys.freeze
        @cells = cells
        freeze
      end

      # @param rows [Array<String>]
      # @param columns [Array<String>]
      # @return [Numo::DFloat] shape [rows, columns]
      # @raise [KeyError] when the table lacks one of them
      def block(rows, columns)
        at = columns.map { |name| @columns.index(name) or raise KeyError, "no column #{name}" }
        Numo::DFloat.cast(rows.map { |name| @cells.fetch(name).values_at(*at).map { |cell| cell || raise(KeyError, "#{name} has an empty cell") } })
      end

      # @return [String] CSV, weights to five decimals, for what is smaller changes nothing
      def to_csv
        CSV.generate do |csv|
          csv << ["", *columns]
          @cells.each { |name, row| csv << [name, *row.map { |cell| cell && format("%<cell>g", cell: cell.round(5)) }] }
        end
      end
    end
  end
end
