# frozen_string_literal: true

module Store
  # What tables of background work share: a row is queued, running, done or failed. Tables that include this say their name as TABLE,
  # what a row holds that does not run as IDLE, and what they call the work as WORK.
  module Runs
    # A run that ended the whole application this often is not tried again.
    ATTEMPTS = 3

    # @param id [Integer]
    # @param reason [String] one clear sentence
    def fail(id, reason) = rows.where(id:).update(state: "failed", error: reason, **idle)

    # @param id [Integer]
    # @return [Boolean] whether somebody still waits for it: false when what it belongs to was removed
    def wanted?(id) = !rows.where(id:, state: "running").empty?

    # Gives a run back that was ended on purpose: it waits again, and that it was begun does not count.
    #
    # @param id [Integer]
    def release(id) = rows.where(id:, state: "running").update(state: "queued", progress: 0.0, attempts: Sequel[:attempts] - 1, **idle)

    # After a crash: what was running waits again, unless it brought the application down before.
    def resume
      db.transaction(mode: :immediate) do
        error = "#{self.class::WORK} was cut off #{ATTEMPTS} times. Try again, or try another file."
        rows.where(state: "running").where { attempts >= ATTEMPTS }.update(state: "failed", error:, **idle)
        rows.where(state: "running").update(state: "queued", progress: 0.0, **idle)
      end
    end

    private

    def rows = db[self.class::TABLE]

    def idle = self.class::IDLE

    # Marks a row as running.
    def begun(row, **more)
      rows.where(id: row[:id]).update(state: "running", attempts: row[:attempts] + 1, progress: 0.0, **more)
      row
    end
  end
end
