# frozen_string_literal: true

module Jobs
  # Separations into struck and steady parts as jobs.
  class SeparationQueue
    # @param library [Store::Library]
    def initialize(library)
      @library = library
    end

    # @return [Hash, nil] the next job
    def claim = @library.separations.claim

    # Takes up what a killed run left.
    def resume = @library.separations.resume

    # @param job [Hash]
    # @return [String] the recording that is worked on
    def path(job) = @library.recordings.path(@library.recordings.find(job[:recording_id]))

    # @return [Hash] what the worker has to do
    def task(_job) = { kind: "separate" }

    # @param job [Hash]
    # @param message [Hash] progress
    def advance(job, message) = @library.separations.advance(job[:id], message[:progress])

    # Takes in the parts that the worker left beside its result.
    #
    # @param job [Hash]
    # @param result [String] path
    def finish(job, result)
      recording = @library.recordings.find(job[:recording_id])
      Store::Separations::PARTS.each { |part| @library.recordings.take_in("#{result}.#{part}.flac", @library.recordings.part_path(recording, part)) }
      @library.separations.finish(job[:id])
    end

    # @param job [Hash]
    # @param reason [String] one clear sentence
    def fail(job, reason) = @library.separations.fail(job[:id], reason)
  end
end
