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
      corrections, sources = job.values_at(:corrections, :sources).map { |text| JSON.parse(text || "{}", symbolize_names: true) }
      { kind: "analyse", derives: !job[:terms].nil?, corrections:, sources: located(sources), features: @library.recordings.features_path(recording(job)) }
    end

    # Stores what the worker wrote: the analysis, and beside it a copy for browsers and the measurements where it made them.
    #
    # @param job [Hash]
    # @param result [String] path
    def finish(job, result)
      keep_measurements(job, result)
      @library.analyses.finish(job[:id], *[result, "#{result}.vector"].map { |path| File.read(path, encoding: Encoding::UTF_8) if File.exist?(path) })
      references = @library.references.of_recording(job[:recording_id])
      references.each { |reference| @library.derive(reference) } unless job[:terms]
      @library.songs.of(references)
      lay(references) unless job[:terms]
    end

    private

    # Attempts are counted as what they are attempts at, whichever of both is analysed last.
    def lay(references)
      laying = Work::Laying.new(@library)
      @library.attempts.laid_with(references.map { |reference| reference[:id] }).each { |attempt| laying.settle(attempt) }
    end

    # Stems and score with the places of their files.
    def located(sources)
      stems = sources.fetch(:stems, []).map do |stem|
        recording = @library.recordings.find(stem[:recording_id])
        stem.slice(:name, :role, :offset, :speed).merge(path: @library.recordings.path(recording), features: @library.recordings.features_path(recording))
      end
      score = sources[:score]
      { stems:, score: score && { path: @library.scores.path(score[:sha256]), **score.slice(:roles, :place) } }
    end
  end
end
