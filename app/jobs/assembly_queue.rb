# frozen_string_literal: true

module Jobs
  # Songs without a mix as jobs: one is made of their stems, or played from their notes, and then they are references like others.
  class AssemblyQueue < JobQueue
    # @param library [Store::Library]
    def initialize(library) = super(library, library.assemblies)

    # @param job [Hash]
    # @return [String] the file that the work begins with
    def path(job) = stems(job).first || @library.scores.path(job[:score_sha256])

    # @param job [Hash]
    # @return [Hash] what the worker has to do
    def task(job) = { kind: "assemble", stems: stems(job), score: job[:score_sha256] && @library.scores.path(job[:score_sha256]) }

    # Takes in the mix that the worker made as a reference, with its stems and score.
    #
    # @param job [Hash]
    # @param result [String] path
    def finish(job, result)
      File.open("#{result}.mix.flac", "rb") { |mix| @library.assemble(job, mix) }
    rescue Store::Duplicate => e
      @library.assemblies.fail(job[:id], e.message)
    end

    private

    def stems(job) = job[:stems].map { |stem| @library.recordings.path(@library.recordings.find(stem[:recording_id])) }
  end
end
