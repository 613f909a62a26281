# frozen_string_literal: true

require "forwardable"

module Store
  # All tables of one data directory.
  class Library
    extend Forwardable

    # Sheets that are kept ready.
    SHEETS = 24

    # @return [String] the data directory
    attr_reader :home
    # @return [Sequel::Database]
    attr_reader :db
    attr_reader :studies, :recordings, :references, :analyses, :readings, :checklists, :journal, :separations, :stems, :scores, :entries, :assemblies

    # See {Intake}.
    def_delegators :@intake, :import, :import_stem, :add_to_assembly, :import_score, :assemble, :remove, :sweep

    # @param home [String] the data directory; made when missing
    def initialize(home)
      @home = home
      @db = Database.open(home)
      @studies = Studies.new(@db)
      @recordings = Recordings.new(@db, home)
      @references = References.new(@db)
      @analyses = Analyses.new(@db)
      @readings = Readings.new(@db)
      @checklists = Checklists.new(@db)
      @journal = Journal.new(@db)
      @separations = Separations.new(@db)
      @stems = Stems.new(@db)
      @scores = Scores.new(@db, home)
      @entries = Entries.new(@db)
      @assemblies = Assemblies.new(@db)
      @intake = Intake.new(self)
      @sheets = Kept.new(SHEETS)
      @timelines = Kept.new(SHEETS)
      freeze
    end

    # @param study_id [Integer]
    # @return [Array(Array<Ethoscope::Profile::Song>, Array<String>)] the references whose analysis is done, with corrections; and the titles
    #   of those that can't be shown
    def songs(study_id)
      left_out = []
      songs = references.of_study(study_id).filter_map do |reference|
        song(reference)
      rescue Unshowable
        left_out << reference[:title]
        nil
      end
      [songs, left_out]
    end

    # @param reference [Hash]
    # @param scope [Integer, nil] only up to this bar
    # @return [Ethoscope::Profile::Song, nil] nil while no analysis is done
    # @raise [Unshowable]
    def song(reference, scope: nil)
      sheet = sheet(reference) or return nil
      Unshowable.instead(reference[:title]) do
        analysis = sheet.settled
        analysis = Ethoscope::Excerpt.of(analysis, scope) if scope
        Ethoscope::Profile::Song.new(title: reference[:title], analysis:, corrections: readings.corrections(reference[:id]))
      end
    end

    # @param study [Hash]
    # @param of [Array<Hash>] references, all of the study's when not said
    # @return [Array] changes whenever something does that profile and checklists rest on
    def stamp(study, of: references.of_study(study[:id]))
      [study, entries.of_study(study[:id]), of.map { |reference| [reference, analysis_id(reference), readings.stamp(reference[:id])] }]
    end

    # What was measured, derived anew with what a person put right as soon as that is done, and what the person says over it.
    #
    # @param reference [Hash]
    # @return [Ethoscope::Annotations::Sheet, nil] nil while no analysis is done
    # @raise [Unshowable]
    def sheet(reference)
      id = analysis_id(reference) or return nil
      @sheets.keep([reference[:id], id, readings.stamp(reference[:id])]) do
        Unshowable.instead(reference[:title]) { Ethoscope::Annotations::Sheet.new(analyses.find(id), readings.notes(reference[:id])).tap(&:analysis) }
      end
    end

    # @param reference [Hash]
    # @return [Ethoscope::Annotations::Timeline, nil] its bars in seconds, for what is put on them
    # @raise [Unshowable]
    def timeline(reference)
      id = analysis_id(reference) or return nil
      @timelines.keep(id) { Unshowable.instead(reference[:title]) { Ethoscope::Annotations::Timeline.new(analyses.find(id).to_h) } }
    end

    # @param reference [Hash]
    # @return [Ethoscope::Analysis, nil] with corrections, stems and score when that is derived, the plain one until then
    def analysis(reference) = analysis_id(reference)&.then { |id| analyses.find(id) }

    # @param reference [Hash]
    # @return [Integer, nil] the run that gave it
    def analysis_id(reference)
      terms = terms(reference)
      derived = analyses.derived_id(reference[:recording_id], terms) unless terms.empty?
      derived || analyses.finished_id(reference[:recording_id])
    end

    # Has the analysis derived anew when what a person put right or added asks for it.
    #
    # @param reference [Hash]
    # @return [Hash, nil] the run that derives; nil when there is nothing but the mix
    def derive(reference)
      terms = terms(reference)
      return nil if terms.empty? || analyses.finished_id(reference[:recording_id]).nil?

      analyses.derive(reference[:recording_id], terms)
    end

    # @param reference [Hash]
    # @return [Hash, nil] the run that derives with the present corrections and sources
    def derivation(reference)
      terms = terms(reference)
      terms.empty? ? nil : analyses.derivation(reference[:recording_id], terms)
    end

    private

    # What an analysis is derived with: what was put right, and under "sources" the stems and the score beside the mix.
    def terms(reference)
      sources = sources(reference)
      Ethoscope::Corrections.arguments(readings.corrections(reference[:id])).merge(sources.empty? ? {} : { sources: })
    end

    def sources(reference)
      measured = stems.of_reference(reference[:id]).select { |stem| stem[:state] == "done" }
      score = scores.of_reference(reference[:id])
      { stems: measured.map { |stem| { recording_id: stem[:recording_id], name: stem[:name], role: stem[:role], offset: stem[:set_offset] || stem[:offset] } },
        score: score && { sha256: score[:sha256], roles: score[:roles] } }.reject { |_, value| value.nil? || value.empty? }
    end
  end
end
