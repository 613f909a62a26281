# frozen_string_literal: true

module Ethoscope
  module Export
    # What differs between an attempt and its reference as comma-separated values, one row a difference, the largest first; what follows from one stands below it.
    module DifferencesCsv
      COLUMNS = %w[kind bars role reference attempt distance tolerance unit size closeness sure words follows_from].freeze

      # @param comparison [Hash] see {Attempts::SideBySide#to_h}
      # @return [String]
      def self.write(comparison)
        rows = comparison[:differences].flat_map { |difference| [row(difference, nil), *difference[:under].map { |under| row(under, difference[:words]) }] }
        TableCsv.write(COLUMNS, rows)
      end

      def self.row(difference, cause)
        bars = difference[:bars].map { |first, last| first == last ? first.to_s : "#{first}-#{last}" }.join(" ")
        [difference[:kind], bars, *difference.values_at(:role, :reference, :attempt, :distance, :tolerance, :unit, :size, :closeness, :sure, :words), cause]
      end
      private_class_method :row
    end
  end
end
