# frozen_string_literal: true

require "json"

module Jobs
  # Stems as jobs: each is measured like a recording and laid over its mix.
  class StemQueue < JobQueue
    # @param library [Store::Library]
    def initialize(library) = super(library, library.stems)

    # @param job [Hash]
    # @return [Hash] what the worker has to do
    def task(job)
      mix = @library.recordings.find(@library.references.find(job[:reference_id])[:recording_id])
      { kind: "stem", features: @library.recordings.features_path(recording(job)), mix: @library.recordings.path(mix), mix_features: @library.recordings.features_path(mix) }
    end

    # Takes in what the worker measured, and has the song derived anew when no other stem of it is on its way.
    #
    # @param job [Hash]
    # @param result [String] path
    def finish(job, result)
      keep_measurements(job, result)
      @library.stems.finish(job[:id], JSON.parse(File.read(result), symbolize_names: true))
      derive(job)
    end

    # @param job [Hash]
    # @param reason [String] one clear sentence
    def fail(job, reason)
      super
      derive(job)
    end

    private

    def derive(job)
      waiting = @library.stems.of_reference(job[:reference_id]).any? { |stem| %w[queued running].include?(stem[:state]) }
      @library.follow(@library.references.find(job[:reference_id])) unless waiting
    rescue Store::Missing
      # The reference was removed meanwhile.
    end
  end
end
