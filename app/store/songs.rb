# frozen_string_literal: true

module Store
  # References as songs: the analysis that holds for each, the sheet with what a person says over it, and what is measured of it.
  class Songs
    # Sheets that are kept ready.
    SHEETS = 24

    # @param library [Library]
    def initialize(library)
      @library = library
      @sheets = Kept.new(SHEETS)
      @timelines = Kept.new(SHEETS)
    end

    # @param references [Array<Hash>]
    # @return [Array(Hash{Integer => Ethoscope::Profile::Song}, Hash{Integer => String})] by reference those whose analysis is done; and of those that can't be
    #   shown why
    def of(references)
      stamps = @library.vectors.stamps(references).compact
      known = @library.vectors.of(stamps)
      problems = {}
      songs = references.select { |reference| stamps.key?(reference[:id]) }.to_h do |reference|
        vector = known[reference[:id]] || measured(reference, stamps[reference[:id]])
        [reference[:id], vector && song(reference, vector)]
      rescue Unshowable => e
        problems[reference[:id]] = e.message
        [reference[:id], nil]
      end
      [songs.compact, problems]
    end

    # @param reference [Hash]
    # @param scope [Integer, nil] only up to this bar
    # @return [Ethoscope::Profile::Song, nil] nil while no analysis is done
    # @raise [Unshowable]
    def find(reference, scope: nil)
      return excerpt(reference, scope) if scope

      songs, problems = of([reference])
      raise Unshowable, reference[:title] if problems.any?

      songs[reference[:id]]
    end

    # What was measured, derived anew with what a person put right as soon as that is done, and what the person says over it.
    #
    # @param reference [Hash]
    # @return [Ethoscope::Sheet::SongSheet, nil] nil while no analysis is done
    # @raise [Unshowable]
    def sheet(reference)
      id = @library.analysis_id(reference) or return nil
      @sheets.keep([reference[:id], id, @library.readings.stamp(reference[:id])]) do
        Unshowable.instead(reference[:title]) { Ethoscope::Sheet::SongSheet.new(@library.analyses.find(id), @library.readings.notes(reference[:id])).tap(&:analysis) }
      end
    end

    # @param reference [Hash]
    # @return [Ethoscope::Sheet::Timeline, nil] its bars in seconds, for what is put on them
    # @raise [Unshowable]
    def timeline(reference)
      id = @library.analysis_id(reference) or return nil
      @timelines.keep(id) { Unshowable.instead(reference[:title]) { Ethoscope::Sheet::Timeline.new(@library.analyses.find(id).to_h) } }
    end

    private

    # Where nobody said anything, what was measured with the analysis is what there is.
    def measured(reference, stamp)
      id = @library.analysis_id(reference) or return nil
      corrections = @library.readings.corrections(reference[:id])
      plain = @library.analyses.vector(id) if corrections.empty? && @library.readings.notes(reference[:id]).empty?
      @library.vectors.keep(reference[:id], stamp, plain || read(reference, corrections))
    end

    def read(reference, corrections)
      sheet = sheet(reference)
      Unshowable.instead(reference[:title]) { Ethoscope::Measures::Vector.of(sheet.settled, corrections:) }
    end

    def excerpt(reference, bars)
      sheet = sheet(reference) or return nil
      Unshowable.instead(reference[:title]) do
        vector = Ethoscope::Measures::Vector.of(Ethoscope::Excerpt.of(sheet.settled, bars), corrections: @library.readings.corrections(reference[:id]))
        song(reference, vector)
      end
    end

    def song(reference, vector)
      Ethoscope::Profile::Song.new(title: reference[:title], vector:, id: reference[:id], standing: reference[:standing], words: reference[:words].map { |word| word[:text] })
    end
  end
end
