# frozen_string_literal: true

module Ethoscope
  module Export
    # Who plays in which section as comma-separated values, one row a layer and section, with its register where that is known.
    module LayersCsv
      COLUMNS = %w[layer role section first_bar bars plays fill_percent lowest highest source sure].freeze

      # @param song [Handout]
      # @return [String]
      def self.write(song) = TableCsv.write(COLUMNS, song.vector.of("layers.plays").map { |told| row(told, song.vector) })

      def self.row(told, vector)
        place = told.place
        register = vector.of("lines.register").find { |one| one.place == place }&.value || {}
        fill = vector.of("layers.fill").find { |one| one.place == place }&.value
        [place.name, place.role, place.title, place.first_bar, place.bars, told.value, fill, *register.values_at(:low, :high).map do |pitch|
          pitch && named(pitch, vector)
        end,
         told.source, told.confidence]
      end
      private_class_method :row

      def self.named(pitch, vector) = Readings::Words.signs(Harmony::NoteName.of(pitch.round, vector.key || Measures::Restatement::UNKEYED))
      private_class_method :named
    end
  end
end
