# frozen_string_literal: true

module Store
  # Which analysis holds for a reference: the one that is derived on its terms, or until that is done the plain one.
  class Derivations
    # @param library [Library]
    def initialize(library)
      @library = library
    end

    # @param reference [Hash]
    # @return [Ethoscope::Analysis, nil] with corrections, stems and score when that is derived, the plain one until then
    def analysis(reference) = analysis_id(reference)&.then { |id| @library.analyses.find(id) }

    # @param reference [Hash]
    # @return [Integer, nil] the run that gave it
    def analysis_id(reference)
      terms = terms(reference)
      derived = @library.analyses.derived_id(reference[:recording_id], terms) unless terms.none?
      derived || @library.analyses.finished_id(reference[:recording_id])
    end

    # Has the analysis derived anew when what a person put right or added asks for it.
    #
    # @param reference [Hash]
    # @return [Hash, nil] the run that derives; nil when there is nothing but the mix
    def derive(reference)
      terms = terms(reference)
      return nil if terms.none? || @library.analyses.finished_id(reference[:recording_id]).nil?

      @library.analyses.derive(reference[:recording_id], terms)
    end

    # @param reference [Hash]
    # @return [Hash, nil] the run that derives with the present corrections and sources
    def find(reference)
      terms = terms(reference)
      terms.none? ? nil : @library.analyses.derivation(reference[:recording_id], terms)
    end

    private

    def terms(reference) = Terms.new(corrections: Ethoscope::Corrections.arguments(@library.readings.corrections(reference[:id])), sources: sources(reference))

    def sources(reference)
      measured = @library.stems.telling(reference[:id])
      score = @library.scores.of_reference(reference[:id])
      { stems: measured.map { |stem| { recording_id: stem[:recording_id], name: stem[:name], role: stem[:role], offset: stem[:set_offset] || stem[:offset], speed: stem[:speed] } },
        score: score && { sha256: score[:sha256], roles: score[:roles], place: score[:place] }.compact }.reject { |_, value| value.nil? || value.empty? }
    end
  end
end
