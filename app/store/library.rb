# frozen_string_literal: true

require "forwardable"

module Store
  # All tables of one data directory, and what is told across them.
  class Library
    extend Forwardable

    # @return [String] the data directory
    attr_reader :home
    # @return [Sequel::Database]
    attr_reader :db
    attr_reader :studies, :recordings, :references, :analyses, :readings, :checklists, :journal, :separations, :stems, :scores, :entries, :assemblies, :vectors, :profiles, :songs,
      :derivations, :items, :list_edits, :logbook, :attempts, :settings

    # See {Intake}.
    def_delegators :@intake, :import, :import_attempt, :import_stem, :add_to_assembly, :import_score, :assemble, :remove, :whole, :sweep
    # See {Songs}.
    def_delegators :@songs, :sheet, :timeline
    def_delegator :@songs, :find, :song
    # See {Derivations}.
    def_delegators :@derivations, :derive, :analysis, :analysis_id
    def_delegator :@derivations, :find, :derivation

    # @param home [String] the data directory; made when missing
    def initialize(home)
      @home = home
      @db = Database.open(home)
      make_tables
      @intake = Intake.new(self)
      @derivations = Derivations.new(self)
      @songs = Songs.new(self)
      @unmeasured = Unmeasured.new
      freeze
    end

    # What follows from a change of a reference: its analysis is derived anew where that is asked for, and soon it is measured again.
    #
    # @param reference [Hash]
    # @return [Hash, nil] the run that derives, if any
    def follow(reference) = derive(reference).tap { @unmeasured.note(reference[:id]) }

    # Measures songs of which something was said, once they have been left alone for a moment. Until then whoever asks for one measures it.
    #
    # @param how [Hash] see {Unmeasured#take}
    def measure_waiting(**how)
      songs.of(db[:references].where(id: @unmeasured.take(**how)).map { |row| References.plain(row) })
    end

    # @param study [Hash]
    # @param of [Array<Hash>] references, all of the study's when not said
    # @return [Array] changes whenever something does that profile and checklists rest on
    def stamp(study, of: references.of_study(study[:id]))
      [study, entries.of_study(study[:id]), of, vectors.stamps(of)]
    end

    # All work on what a study holds: what waits, runs or failed, and the newest analysis of each reference.
    #
    # @param study_id [Integer]
    # @return [Array<Hash>] kind (analysis, derivation, stem, separation, assembly), id, reference_id (nil for an assembly), state, stage, progress, error
    def runs(study_id) = Workload.new(self, study_id).runs

    private

    def make_tables
      @studies = Studies.new(@db)
      @recordings = Recordings.new(@db, home)
      @references = References.new(@db)
      @analyses = Analyses.new(@db)
      @readings = Readings.new(@db)
      @checklists = Checklists.new(@db)
      @items = Items.new(@db)
      @list_edits = ListEdits.new(@db)
      @logbook = Logbook.new(@db)
      @journal = Journal.new(@db)
      @separations = Separations.new(@db)
      @stems = Stems.new(@db)
      @scores = Scores.new(@db, home)
      @entries = Entries.new(@db)
      @assemblies = Assemblies.new(@db)
      @vectors = Vectors.new(@db)
      @profiles = Profiles.new(@db)
      @attempts = Attempts.new(@db)
      @settings = Settings.new(@db)
    end
  end
end
