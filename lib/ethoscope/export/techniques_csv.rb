# frozen_string_literal: true

module Ethoscope
  module Export
    # Techniques and marks of a song as comma-separated values, one row a place.
    module TechniquesCsv
      COLUMNS = %w[kind name first_bar last_bar figures source sure].freeze

      # @param song [Handout]
      # @return [String]
      def self.write(song)
        sightings = song.vector.of("techniques.technique").map { |told| row(told, told.value[:kind], told.value[:name], told.value[:detail]) }
        marks = song.vector.of("techniques.mark").map { |told| row(told, told.value[:type], told.value[:text], {}) }
        TableCsv.write(COLUMNS, (sightings + marks).sort_by { |row| row[2] || 0 })
      end

      def self.row(told, kind, name, detail)
        figures = (detail || {}).map { |figure, value| "#{figure.to_s.tr("_", " ")} #{value.is_a?(Array) ? value.join(" ") : value}" }.join("; ")
        [kind.to_s, name.to_s, told.place.first_bar, told.place.last_bar, figures, told.source, told.confidence]
      end
      private_class_method :row
    end
  end
end
