# frozen_string_literal: true

module Store
  # A change was made to a sheet that another window has changed since.
  class Stale < StandardError
    # @return [Integer] the revision that the sheet has now
    attr_reader :revision
    # @return [Array<String>] what was changed since, in words
    attr_reader :labels

    # @param revision [Integer]
    # @param labels [Array<String>]
    def initialize(revision, labels)
      super("This sheet was changed in another window. Your change was not made.")
      @revision = revision
      @labels = labels
    end
  end
end
