# frozen_string_literal: true

module Work
  # One thing done with many songs of a study at once: each for itself, so that one that can't be done leaves the others.
  class Many
    ACTIONS = %w[core side counter aside delete restore move analyse confirm].freeze
    # Why a single song was left as it was, and goes on to be told.
    REASONS = [Store::Missing, Store::Duplicate, Ethoscope::Errors::Unfit].freeze

    # @param library [Store::Library]
    # @param study_id [Integer] that the songs are of
    def initialize(library, study_id)
      @library = library
      @study_id = study_id
    end

    # @param action [String] one of ACTIONS
    # @param ids [Array<Integer>] references
    # @param to [Integer, nil] the study that they move to
    # @return [Array<Hash>] those that were left as they were: id and why
    # @raise [Refused] when it is not said where they go
    def carry_out(action, ids, to: nil)
      raise Refused.new(:invalid, "Say to which study the songs move.", "to") if action == "move" && to.nil?

      ids.uniq.filter_map do |id|
        one(action, id, to)
        nil
      rescue *REASONS => e
        { id:, why: "#{e.message.delete_suffix(".")}." }
      end
    end

    private

    def one(action, id, to)
      return restore(id) if action == "restore"

      reference = own(id)
      case action
      when "delete" then @library.references.take_away(id)
      when "move" then @library.references.move(id, @library.studies.find(to)[:id])
      when "analyse" then @library.analyses.queue(reference[:recording_id])
      when "confirm" then confirm(reference)
      else @library.references.update(id, standing: action)
      end
    end

    def own(id)
      reference = @library.references.find(id)
      raise Store::Missing, "This song is not in this study." unless reference[:study_id] == @study_id

      reference
    end

    def restore(id)
      known = @library.references.thrown_away(@study_id).any? { |row| row[:id] == id }
      known ? @library.references.bring_back(id) : own(id)
    end

    # All readings that hold and are open, as one change of the sheet that can be undone.
    def confirm(reference)
      open = @library.readings.current(reference[:id]).values.select { |row| row[:state] == "open" && row[:value] }
      return if open.empty?

      @library.journal.record(reference[:id], "Confirm all readings") do |readings|
        open.each { |row| readings.mark(row[:id], "confirmed") }
      end
      @library.follow(reference)
    end
  end
end
