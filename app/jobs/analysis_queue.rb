# frozen_string_literal: true

require "json"

module Jobs
  # Analyses as jobs: whole runs, and derivations with what a person put right.
  class AnalysisQueue
    # @param library [Store::Library]
    def initialize(library)
      @library = library
    end

    # @return [Hash, nil] the next job
    def claim = @library.analyses.claim

    # Takes up what a killed run left.
    def resume = @library.analyses.resume

    # @param job [Hash]
    # @return [String] the recording that is worked on
    def path(job) = @library.recordings.path(recording(job))

    # @param job [Hash]
    # @return [Hash] what the worker has to do
    def task(job)
      terms = JSON.parse(job[:corrections] || "{}", symbolize_names: true)
      { kind: "analyse", derives: !job[:corrections].nil?, corrections: terms.except(:sources), sources: located(terms.fetch(:sources, {})),
        features: @library.recordings.features_path(recording(job)) }
    end

    # @param job [Hash]
    # @param message [Hash] stage and progress
    def advance(job, message) = @library.analyses.advance(job[:id], message[:stage], message[:progress])

    # Stores what the worker wrote: the analysis, and beside it a copy for browsers and the measurements where it made them.
    #
    # @param job [Hash]
    # @param result [String] path
    def finish(job, result)
      @library.recordings.keep_copy(job[:recording_id], "#{result}.flac")
      @library.recordings.take_in("#{result}.features", @library.recordings.features_path(recording(job))) if File.exist?("#{result}.features")
      @library.analyses.finish(job[:id], File.read(result, encoding: Encoding::UTF_8))
      derive_anew(job) unless job[:corrections]
    end

    # @param job [Hash]
    # @param reason [String] one clear sentence
    def fail(job, reason) = @library.analyses.fail(job[:id], reason)

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

    def recording(job) = @library.recordings.find(job[:recording_id])

    # What people put right is worked into what was measured anew.
    def derive_anew(job) = @library.references.of_recording(job[:recording_id]).each { |reference| @library.derive(reference) }
  end
end
