# frozen_string_literal: true

module Store
  # What tables of background work share: a row is queued, running, done or failed; while it runs it says its stage and how far it is. Tables that include
  # this say their name as TABLE, and what they call the work as WORK; those whose rows wait for something say so in #waiting, those that hold text as
  # JSON read it in #plain.
  module Runs
    # A run that ended the whole application this often is not tried again.
    TRIES = 3
    # What a row says that is begun and has not told more yet.
    FIRST_STAGE = "starting"

    # @return [Hash, nil] the next that waits, now marked as running
    def claim
      db.transaction(mode: :immediate) do
        row = waiting.first or next
        rows.where(id: row[:id]).update(state: "running", stage: FIRST_STAGE, progress: 0.0, tries: row[:tries] + 1)
        plain(row)
      end
    end

    # @param id [Integer]
    # @param stage [String]
    # @param progress [Float] 0 to 1
    # @return [Integer] how many rows it changed: none when nobody waits for it any more
    def advance(id, stage, progress) = rows.where(id:, state: "running").update(stage:, progress:)

    # @param id [Integer]
    # @param reason [String] one clear sentence
    def fail(id, reason) = rows.where(id:).update(state: "failed", stage: nil, error: reason)

    # @param id [Integer]
    # @return [Boolean] whether somebody still waits for it: false when what it belongs to was removed
    def wanted?(id) = !rows.where(id:, state: "running").empty?

    # Gives a run back that was ended on purpose: it waits again, and that it was begun does not count.
    #
    # @param id [Integer]
    def release(id) = rows.where(id:, state: "running").update(state: "queued", stage: nil, progress: 0.0, tries: Sequel[:tries] - 1)

    # Has what failed tried again.
    #
    # @param id [Integer]
    def again(id) = rows.where(id:, state: "failed").update(state: "queued", stage: nil, progress: 0.0, error: nil, tries: 0)

    # After a crash: what was running waits again, unless it brought the application down before.
    def resume
      db.transaction(mode: :immediate) do
        error = "#{self.class::WORK} was cut off #{TRIES} times. Try again, or try another file."
        rows.where(state: "running").where { tries >= TRIES }.update(state: "failed", stage: nil, error:)
        rows.where(state: "running").update(state: "queued", stage: nil, progress: 0.0)
      end
    end

    private

    def rows = db[self.class::TABLE]

    def waiting = rows.where(state: "queued").order(:id)

    def plain(row) = row
  end
end
