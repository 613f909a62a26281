# frozen_string_literal: true

module Ethoscope
  module Export
    # An open format: what is taken away in it (:song, :checklist or :logbook), the file's name in addresses, what is added to the title for the file that is saved,
    # its media type, what it holds in words, and the writer.
    Format = Value.of(:of, :file, :suffix, :type, :words, :writer) do
      # @return [String] of the saved file
      def extension = file.split(".").last
    end

    # The formats in which something can be taken away, a line each.
    module Formats
      ALL = [
        Format.new(of: :song, file: "song.mid", suffix: "", type: "audio/midi", words: "MIDI: tempo map, sections, chords, bass roots", writer: SongMidi),
        Format.new(of: :song, file: "played.mid", suffix: " as played", type: "audio/midi", words: "MIDI: what each layer plays, a track each", writer: PlayedMidi),
        Format.new(of: :song, file: "analysis.json", suffix: "", type: "application/json", words: "JSON: everything that was measured", writer: AnalysisJson),
        Format.new(of: :song, file: "sections.csv", suffix: " sections", type: "text/csv;charset=utf-8", words: "CSV: the sections, a row each", writer: SectionsCsv),
        Format.new(of: :checklist, file: "checklist.md", suffix: " checklist", type: "text/markdown;charset=utf-8", words: "Markdown: every item with a box to tick",
          writer: ChecklistMarkdown),
        Format.new(of: :logbook, file: "logbook.csv", suffix: " logbook", type: "text/csv;charset=utf-8", words: "CSV: what was done when, a row each", writer: LogbookCsv)
      ].freeze

      # @param thing [Symbol] :song, :checklist or :logbook
      # @return [Array<Format>]
      def self.of(thing) = ALL.select { |format| format.of == thing }
    end
  end
end
