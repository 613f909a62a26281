# frozen_string_literal: true

module Store
  # Separations of recordings into struck and steady parts: queued, running, done or failed; one a recording.
  class Separations < Rows
    # The parts that a separation gives.
    PARTS = %w[struck steady].freeze
    TABLE = :separations
    WORK = "The separation"

    include Runs

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
        again(known[:id]) if known
        find(recording_id)
      end
    end

    # @param id [Integer]
    def finish(id) = db[:separations].where(id:).update(state: "done", stage: nil, progress: 1.0, error: nil)
  end
end
