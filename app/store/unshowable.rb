# frozen_string_literal: true

module Store
  # What is stored of one reference can't be laid out as a sheet. It takes nothing else with it: its study, the profile and the lists go
  # on without it.
  class Unshowable < StandardError
    # @param title [String] of the reference
    def initialize(title)
      super("“#{title}” can't be shown as it stands. Undo the last change to it, or analyse it again.")
    end

    # Runs what lays a reference out; the fault is logged with its place.
    #
    # @param title [String]
    # @yieldreturn [Object] handed back
    # @return [Object]
    # @raise [Unshowable] instead of whatever else it raises; errors of the database and things that are not there stay what they are
    def self.instead(title)
      yield
    rescue Sequel::Error, Missing, Unshowable
      raise
    rescue StandardError => e
      warn "“#{title}”: #{e.class}: #{e.message}\n#{e.backtrace&.first(5)&.join("\n")}"
      raise new(title)
    end
  end
end
