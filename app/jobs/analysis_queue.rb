# frozen_string_literal: true

require "json"

module Jobs
  # Analyses as jobs: whole runs, and derivations with what a person put right.
  class AnalysisQueue < JobQueue
    # @param library [Store::Library]
    def initialize(library) = super(library, library.analyses)

    # @param job [Hash]
    # @return [Hash] what the worker has to do
    def task(job)
      terms = JSON.parse(job[:corrections] || "{}", symbolize_names: true)
      { kind: "analyse", derives: !job[:corrections].nil?, corrections: terms.except(:sources), sources: located(terms.fetch(:sources, {})),
        features: @library.recordings.features_path(recording(job)) }
    end

    # Stores what the worker wrote: the analysis, and beside it a copy for browsers and the measurements where it made them.
    #
    # @param job [Hash]
    # @param result [String] path
    def finish(job, result)
      keep_measurements(job, result)
      @library.analyses.finish(job[:id], File.read(result, encoding: Encoding::UTF_8))
      derive_anew(job) unless job[:corrections]
    end

    # @param job [Hash]
    # @param message [Hash] stage and progress
    # @return [Integer] as {JobQueue#advance}
    def advance(job, message) = @library.analyses.advance(job[:id], message[:stage], message[:progress])

    private

    # Stems and score with the places of their files.
    def located(sources)
      stems = sources.fetch(:stems, []).map do |stem|
        recording = @library.recordings.find(stem[:recording_id])
        stem.slice(:name, :role, :offset).merge(path: @library.recordings.path(recording), features: @library.recordings.features_path(recording))
      end
      score = sources[:score]
      { stems:, score: score && { path: @library.scores.path(score[:sha256]), roles: score[:roles] } }
    end

    # What people put right is worked into what was measured anew.
    def derive_anew(job) = @library.references.of_recording(job[:recording_id]).each { |reference| @library.derive(reference) }
  end
end
