# frozen_string_literal: true

module Jobs
  # What all kinds of jobs share: a table of runs that they are taken from, and to which they are given back.
  class JobQueue
    # @param library [Store::Library]
    # @param runs [Store::Runs] the table
    def initialize(library, runs)
      @library = library
      @runs = runs
    end

    # @return [Hash, nil] the next job
    def claim = @runs.claim

    # Takes up what a killed run left.
    def resume = @runs.resume

    # @param job [Hash]
    # @return [Boolean] whether somebody still waits for it
    def wanted?(job) = @runs.wanted?(job[:id])

    # Gives back what was ended on purpose.
    #
    # @param job [Hash]
    def release(job) = @runs.release(job[:id])

    # @param job [Hash]
    # @param message [Hash] stage and progress
    # @return [Integer] how many rows it changed: none when nobody waits for it any more
    def advance(job, message) = @runs.advance(job[:id], message[:stage], message[:progress])

    # @param job [Hash]
    # @param reason [String] one clear sentence
    def fail(job, reason) = @runs.fail(job[:id], reason)

    # @param job [Hash]
    # @return [String] the recording that is worked on
    def path(job) = @library.recordings.path(recording(job))

    private

    def recording(job) = @library.recordings.find(job[:recording_id])

    # Takes in what the worker measured, where it did, and its copy for browsers.
    def keep_measurements(job, result)
      @library.recordings.take_in("#{result}.features", @library.recordings.features_path(recording(job))) if File.exist?("#{result}.features")
      @library.recordings.take_in("#{result}.peaks", @library.recordings.peaks_path(recording(job))) if File.exist?("#{result}.peaks")
      @library.recordings.keep_copy(job[:recording_id], "#{result}.flac")
    end
  end
end
