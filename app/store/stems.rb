# frozen_string_literal: true

module Store
  # Stems of references: which recording they are, their role, where they lie in the mix, and how far their measuring is.
  class Stems < Rows
    TABLE = :stems
    WORK = "Measuring this stem"
    # Stems of one reference.
    MOST = 64

    include Runs

    # @param reference_id [Integer]
    # @return [Array<Hash>] in the order in which they came
    def of_reference(reference_id) = db[:stems].where(reference_id:).order(:id).all

    # @param id [Integer]
    # @return [Hash]
    # @raise [Missing]
    def find(id) = existing(db[:stems][id:], "stem")

    # Takes a stem up and queues it to be measured.
    #
    # @param reference_id [Integer]
    # @param recording [Hash]
    # @param name [String]
    # @param role [String] guessed from the name
    # @return [Hash]
    # @raise [Duplicate] when the reference has it, or too many
    def create(reference_id, recording, name, role)
      db.transaction(mode: :immediate) do
        same = db[:stems][reference_id:, recording_id: recording[:id]]
        raise Duplicate, "This stem is there already, as “#{same[:name]}”." if same
        raise Duplicate, "A reference holds at most #{MOST} stems." if db[:stems].where(reference_id:).count >= MOST

        find(db[:stems].insert(reference_id:, recording_id: recording[:id], name:, role:, guess: role, state: "queued", created_at: now))
      end
    end

    # @param id [Integer]
    # @param change [Hash] role, name, set_offset (seconds; nil for the measured one) or insisted (whether it is used though it fits nowhere)
    # @return [Hash]
    def update(id, change)
      find(id)
      db[:stems].where(id:).update(change.slice(:role, :name, :set_offset, :insisted))
      find(id)
    end

    # @param id [Integer]
    def delete(id)
      find(id)
      db[:stems].where(id:).delete
    end

    # Tries a stem again that failed.
    #
    # @param id [Integer]
    # @return [Hash]
    def retry(id)
      again(id)
      find(id)
    end

    # @param id [Integer]
    # @param place [Hash] offset, speed, agreement, distinct, seconds, whether it fits, and what is wrong where it does not
    def finish(id, place)
      db[:stems].where(id:).update(place.slice(:offset, :speed, :agreement, :distinct, :seconds, :fits, :error).merge(state: "done", stage: nil, progress: 1.0))
    end

    # @param reference_id [Integer]
    # @return [Array<Hash>] those that tell of the song, with the speed that they share
    def telling(reference_id)
      stems = of_reference(reference_id).select { |stem| stem[:state] == "done" && (stem[:fits] || stem[:insisted]) }
      stems.zip(Ethoscope::Stems::SharedSpeed.of(stems)).map { |stem, speed| stem.merge(speed:) }
    end

    private

    # Stems whose mix is measured.
    def waiting
      measured = db[:references].join(:analyses, recording_id: :recording_id).where(Sequel[:analyses][:state] => "done").select(Sequel[:references][:id])
      super.where(reference_id: measured)
    end
  end
end
