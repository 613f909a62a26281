# frozen_string_literal: true

module Jobs
  # Separations into struck and steady parts as jobs.
  class SeparationQueue < JobQueue
    # @param library [Store::Library]
    def initialize(library) = super(library, library.separations)

    # @return [Hash] what the worker has to do
    def task(_job) = { kind: "separate" }

    # Takes in the parts that the worker left beside its result.
    #
    # @param job [Hash]
    # @param result [String] path
    def finish(job, result)
      recording = @library.recordings.find(job[:recording_id])
      Store::Separations::PARTS.each { |part| @library.recordings.take_in("#{result}.#{part}.flac", @library.recordings.part_path(recording, part)) }
      @library.separations.finish(job[:id])
    end
  end
end
