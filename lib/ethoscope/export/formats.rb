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
      CSV = "text/csv;charset=utf-8"
      MARKDOWN = "text/markdown;charset=utf-8"
      ALL = [
        Format.new(of: :song, file: "song.mid", suffix: "", type: "audio/midi", words: "MIDI: tempo, sections, chords, bass, leads, drums", writer: SongMidi),
        Format.new(of: :song, file: "beside-audio.mid", suffix: " beside the audio", type: "audio/midi", words: "MIDI: the same, aligned to the recording from its start",
          writer: BesideAudioMidi),
        Format.new(of: :song, file: "played.mid", suffix: " as played", type: "audio/midi", words: "MIDI: what each layer plays, a track each", writer: PlayedMidi),
        Format.new(of: :song, file: "lead-sheet.musicxml", suffix: " lead sheet", type: "application/vnd.recordare.musicxml+xml",
          words: "MusicXML: lead sheet, bass and drums", writer: LeadSheetXml),
        Format.new(of: :song, file: "sections.csv", suffix: " sections", type: CSV, words: "CSV: the sections, a row each", writer: SectionsCsv),
        Format.new(of: :song, file: "chords.csv", suffix: " chords", type: CSV, words: "CSV: the chords by bar and beat", writer: ChordsCsv),
        Format.new(of: :song, file: "layers.csv", suffix: " layers", type: CSV, words: "CSV: who plays in which section", writer: LayersCsv),
        Format.new(of: :song, file: "techniques.csv", suffix: " techniques", type: CSV, words: "CSV: techniques and marks", writer: TechniquesCsv),
        Format.new(of: :song, file: "labels.txt", suffix: " labels", type: "text/plain;charset=utf-8", words: "Labels: sections and marks with their times", writer: Labels),
        Format.new(of: :song, file: "song.md", suffix: "", type: MARKDOWN, words: "Markdown: the sheet in words", writer: SongMarkdown),
        Format.new(of: :song, file: "analysis.json", suffix: "", type: "application/json", words: "JSON: everything that was measured", writer: AnalysisJson),
        Format.new(of: :song, file: "song.zip", suffix: " all formats", type: "application/zip", words: "All of these in one archive", writer: Archive),
        Format.new(of: :checklist, file: "checklist.md", suffix: " checklist", type: MARKDOWN, words: "Markdown: every item with a box to tick", writer: ChecklistMarkdown),
        Format.new(of: :logbook, file: "logbook.csv", suffix: " logbook", type: CSV, words: "CSV: what was done when, a row each", writer: LogbookCsv)
      ].freeze

      # @param thing [Symbol] :song, :checklist or :logbook
      # @return [Array<Format>]
      def self.of(thing) = ALL.select { |format| format.of == thing }
    end
  end
end
