# frozen_string_literal: true

module Ethoscope
  module Export
    # The chords of a song as comma-separated values, one row a chord: where it begins in bars and beats, and how many beats it lasts.
    module ChordsCsv
      COLUMNS = %w[section bar beat beats chord label degree notes].freeze

      # @param song [Handout]
      # @return [String]
      def self.write(song)
        rows = song.vector.of("harmony.chords").flat_map { |told| told.value.map { |chord| row(chord, told.place, song.vector.key) } }
        TableCsv.write(COLUMNS, rows)
      end

      def self.row(chord, place, key)
        symbol = Harmony::ChordSymbol.parse(chord[:symbol])
        [place.title, place.first_bar + chord[:bar] - 1, chord[:beat], chord[:beats], chord[:symbol], chord[:label], key && symbol.degree(key),
         Readings::Words.signs(symbol.notes.join(" "))]
      end
      private_class_method :row
    end
  end
end
