# frozen_string_literal: true

module Store
  # Separations of recordings into struck and steady parts: queued, running, done or failed; one a recording.
  class Separations < Rows
    # The parts that a separation gives.
    PARTS = %w[struck steady].freeze
    # A run that ended the whole application this often is not tried again.
    ATTEMPTS = 3

    # @param recording_id [Integer]
    # @return [Hash, nil]
    def find(recording_id) = db[:separations][recording_id:]

    # Queues a separation unless there is one; one that failed is tried again.
    #
    # @param recording_id [Integer]
    # @return [Hash]
    def queue(recording_id)
      db.transaction(mode: :immediate) do
        known = find(recording_id)
        db[:separations].insert(recording_id:, state: "queued", created_at: now) unless known
        db[:separations].where(recording_id:, state: "failed").update(state: "queued", error: nil, attempts: 0, progress: 0.0) if known
        find(recording_id)
      end
    end

    # @return [Hash, nil] the oldest that waits, now marked as running
    def claim
      db.transaction(mode: :immediate) do
        row = db[:separations].where(state: "queued").order(:id).first or next
        db[:separations].where(id: row[:id]).update(state: "running", attempts: row[:attempts] + 1, progress: 0.0)
        row
      end
    end

    # @param id [Integer]
    # @param progress [Float] 0 to 1
    def advance(id, progress) = db[:separations].where(id:, state: "running").update(progress:)

    # @param id [Integer]
    def finish(id) = db[:separations].where(id:).update(state: "done", progress: 1.0, error: nil)

    # @param id [Integer]
    # @param reason [String] one clear sentence
    def fail(id, reason) = db[:separations].where(id:).update(state: "failed", error: reason)

    # After a crash: what was running waits again, unless it brought the application down before.
    def resume
      worn = db[:separations].where(state: "running") { attempts >= ATTEMPTS }
      worn.update(state: "failed", error: "The separation was cut off #{ATTEMPTS} times.")
      db[:separations].where(state: "running").update(state: "queued", progress: 0.0)
    end
  end
end
