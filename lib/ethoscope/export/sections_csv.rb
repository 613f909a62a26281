# frozen_string_literal: true

module Ethoscope
  module Export
    # The sections of a song as comma-separated values, one row a section.
    module SectionsCsv
      COLUMNS = %w[label letter first_bar bars start_seconds end_seconds mean_lufs chords].freeze

      # @param song [Handout]
      # @return [String] CSV with a header row
      def self.write(song)
        TableCsv.write(COLUMNS, song.vector.of("form.section").map { |section| row(section, song.vector) })
      end

      def self.row(section, vector)
        place = section.place
        chords = vector.at("harmony.chords", place)&.value || []
        [place.label, place.letter, place.first_bar, place.bars, *section.value.values_at(:start, :end).map { |seconds| seconds.round(3) },
         vector.at("mix.level", place)&.value, chords.map { |chord| chord[:symbol] }.join(" ")]
      end
      private_class_method :row
    end
  end
end
