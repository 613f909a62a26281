# frozen_string_literal: true

require "csv"

module Ethoscope
  module Export
    # The sections of a song as comma-separated values, one row a section.
    module SectionsCsv
      COLUMNS = %w[label letter first_bar bars start_seconds end_seconds mean_lufs chords].freeze

      # @param analysis [Analysis]
      # @return [String] CSV with a header row
      def self.write(analysis)
        data = analysis.to_h
        CSV.generate do |csv|
          csv << COLUMNS
          data[:sections].each { |section| csv << row(section, data) }
        end
      end

      def self.row(section, data)
        bars = data[:bars][section[:first_bar] - 1, section[:bars]]
        chords = Form::SectionChords.of(data, section)
        [harmless(section[:label]), harmless(section[:letter]), section[:first_bar], section[:bars], section[:start].round(3), section[:end].round(3),
         (bars.sum { |bar| bar[:energy] } / bars.size).round(1), harmless(chords.map { |chord| chord[:symbol] }.join(" "))]
      end
      private_class_method :row

      # Spreadsheets reckon with cells that begin with one of these signs, so text gets an apostrophe before them.
      def self.harmless(text) = text.match?(/\A[=+\-@\t\r]/) ? "'#{text}" : text
      private_class_method :harmless
    end
  end
end
