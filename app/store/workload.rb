# frozen_string_literal: true

module Store
  # All background work on what a study holds, of whatever kind, in one shape.
  class Workload
    FIELDS = %i[id state stage progress error].freeze

    # @param library [Library]
    # @param study_id [Integer]
    def initialize(library, study_id)
      @library = library
      @study_id = study_id
      @references = library.references.all_of_study(study_id)
    end

    # @return [Array<Hash>] see {Library#runs}
    def runs
      analyses("analysis", @library.analyses.latest_of(recordings)) + analyses("derivation", @library.analyses.newest_derivations(recordings)) + stems + separations + assemblies
    end

    private

    def recordings = @references.map { |reference| reference[:recording_id] }

    def analyses(kind, runs) = @references.filter_map { |reference| runs[reference[:recording_id]]&.then { |run| plain(kind, run, reference[:id]) } }

    def stems = @library.db[:stems].where(reference_id: @references.map { |reference| reference[:id] }).order(:id).map { |stem| plain("stem", stem, stem[:reference_id]) }

    def separations
      rows = @library.db[:separations].where(recording_id: recordings).as_hash(:recording_id)
      @references.filter_map { |reference| rows[reference[:recording_id]]&.then { |run| plain("separation", run, reference[:id]) } }
    end

    def assemblies = @library.assemblies.of_study(@study_id).map { |assembly| plain("assembly", assembly, nil) }

    def plain(kind, run, reference_id) = { kind:, reference_id:, **run.slice(*FIELDS) }
  end
end
