# frozen_string_literal: true

module Work
  # What is handed over of songs and of a whole study, as theirs or in the tempo and key that are wanted.
  class HandOver
    # @param library [Store::Library]
    # @param wanted [Wanted]
    def initialize(library, wanted)
      @library = library
      @wanted = wanted
    end

    # @param reference [Hash]
    # @return [Ethoscope::Export::Handout]
    # @raise [Refused] when it is not analysed yet
    def song(reference)
      sheet = @library.sheet(reference) or raise Refused.new(:not_analysed, "This reference has no finished analysis yet.")
      analysis = sheet.settled
      vector = @library.song(reference).vector
      to = @wanted.restatement(vector)
      restated = Ethoscope::Analysis.new(Ethoscope::Measures::RestatedSong.new(analysis.to_h, to).to_h)
      Ethoscope::Export::Handout.new(title: reference[:title], analysis: restated, vector: vector.restated(to), first_bar_at: restated.fetch(:bars).first[:start])
    end

    # @param study [Hash]
    # @return [String] an archive: every analysed song in every format, every checklist, the logbook
    def study(study)
      songs = @library.references.of_study(study[:id]).select { |reference| @library.sheet(reference) }
      named = songs.each_with_index.to_h { |reference, i| [format("%<number>02d %<title>s", number: i + 1, title: Ethoscope::Export::Archive.plain(reference[:title])), song(reference)] }
      files = named.flat_map { |folder, song| Ethoscope::Export::Archive.song(song).map { |file, bytes| ["#{folder}/#{file}", bytes] } }.to_h
      Ethoscope::Export::Archive.of({ **files, **lists(study), "logbook.csv" => Ethoscope::Export::LogbookCsv.write(@library.logbook.of_study(study[:id])) })
    end

    private

    def lists(study)
      @library.checklists.of_study(study[:id]).to_h do |row|
        ["checklists/#{Ethoscope::Export::Archive.plain(row[:title])} #{row[:id]}.md", Ethoscope::Export::ChecklistMarkdown.write(@library.checklists.find(row[:id]))]
      end
    end
  end
end
