# frozen_string_literal: true

require "json"

module Jobs
  # Stems as jobs: each is measured like a recording and laid over its mix.
  class StemQueue
    # @param library [Store::Library]
    def initialize(library)
      @library = library
    end

    # @return [Hash, nil] the next job
    def claim = @library.stems.claim

    # Takes up what a killed run left.
    def resume = @library.stems.resume

    # @param job [Hash]
    # @return [String] the recording that is worked on
    def path(job) = @library.recordings.path(recording(job))

    # @param job [Hash]
    # @return [Hash] what the worker has to do
    def task(job)
      mix = @library.recordings.find(@library.references.find(job[:reference_id])[:recording_id])
      { kind: "stem", features: @library.recordings.features_path(recording(job)), mix: @library.recordings.path(mix), mix_features: @library.recordings.features_path(mix) }
    end

    # @param job [Hash]
    # @param message [Hash] progress
    def advance(job, message) = @library.stems.advance(job[:id], message[:progress])

    # Takes in what the worker measured, and has the song derived anew when no other stem of it is on its way.
    #
    # @param job [Hash]
    # @param result [String] path
    def finish(job, result)
      @library.recordings.take_in("#{result}.features", @library.recordings.features_path(recording(job))) if File.exist?("#{result}.features")
      @library.recordings.keep_copy(job[:recording_id], "#{result}.flac")
      @library.stems.finish(job[:id], JSON.parse(File.read(result), symbolize_names: true))
      derive(job)
    end

    # @param job [Hash]
    # @param reason [String] one clear sentence
    def fail(job, reason)
      @library.stems.fail(job[:id], reason)
      derive(job)
    end

    private

    def recording(job) = @library.recordings.find(job[:recording_id])

    def derive(job)
      waiting = @library.stems.of_reference(job[:reference_id]).any? { |stem| %w[queued running].include?(stem[:state]) }
      @library.derive(@library.references.find(job[:reference_id])) unless waiting
    rescue Store::Missing
      # The reference was removed meanwhile.
    end
  end
end
