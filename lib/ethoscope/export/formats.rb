# frozen_string_literal: true

module Ethoscope
  module Export
    # An open format: the file's name in addresses, what is added to the song's title for the file that is saved, its media type, what it holds in words,
    # and the writer.
    Format = Value.of(:file, :suffix, :type, :words, :writer) do
      # @return [String] of the saved file
      def extension = file.split(".").last
    end

    # The formats in which a song can be taken away, a line each.
    module Formats
      ALL = [
        Format.new(file: "song.mid", suffix: "", type: "audio/midi", words: "MIDI: tempo map, sections, chords, bass roots", writer: SongMidi),
        Format.new(file: "analysis.json", suffix: "", type: "application/json", words: "JSON: everything that was measured", writer: AnalysisJson),
        Format.new(file: "sections.csv", suffix: " sections", type: "text/csv;charset=utf-8", words: "CSV: the sections, a row each", writer: SectionsCsv)
      ].freeze
    end
  end
end
