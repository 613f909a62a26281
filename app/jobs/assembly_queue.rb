# frozen_string_literal: true

module Jobs
  # Songs without a mix as jobs: one is made of their stems, or played from their notes, and then they are references like others.
  class AssemblyQueue
    # @param library [Store::Library]
    def initialize(library)
      @library = library
    end

    # @return [Hash, nil] the next job
    def claim = @library.assemblies.claim

    # Takes up what a killed run left.
    def resume = @library.assemblies.resume

    # @param job [Hash]
    # @return [String] the file that the work begins with
    def path(job) = stems(job).first || @library.scores.path(job[:score_sha256])

    # @param job [Hash]
    # @return [Hash] what the worker has to do
    def task(job) = { kind: "assemble", stems: stems(job), score: job[:score_sha256] && @library.scores.path(job[:score_sha256]) }

    # @param job [Hash]
    # @param message [Hash] progress
    def advance(job, message) = @library.assemblies.advance(job[:id], message[:progress])

    # Takes in the mix that the worker made as a reference, with its stems and score.
    #
    # @param job [Hash]
    # @param result [String] path
    def finish(job, result)
      File.open("#{result}.mix.flac", "rb") { |mix| @library.assemble(job, mix) }
    rescue Store::Duplicate => e
      fail(job, e.message)
    end

    # @param job [Hash]
    # @param reason [String] one clear sentence
    def fail(job, reason) = @library.assemblies.fail(job[:id], reason)

    private

    def stems(job) = job[:stems].map { |stem| @library.recordings.path(@library.recordings.find(stem[:recording_id])) }
  end
end
