# frozen_string_literal: true

module Store
  # Studies: a piece of work with an aim.
  class Studies < Rows
    FIELDS = %i[title aim scope_from scope_bar target_bpm target_tonic target_mode target_way target_meter].freeze

    # @return [Array<Hash>] newest first, with how many references each holds
    def all
      counts = db[:references].where(attempt: false).group_and_count(:study_id).as_hash(:study_id, :count)
      db[:studies].order(Sequel.desc(:id)).all.map { |study| study.merge(references: counts.fetch(study[:id], 0)) }
    end

    # @param id [Integer]
    # @return [Hash]
    # @raise [Missing]
    def find(id) = existing(db[:studies][id:], "study")

    # @param attributes [Hash] FIELDS
    # @return [Hash] the new study
    def create(attributes) = find(db[:studies].insert(attributes.slice(*FIELDS).merge(created_at: now)))

    # @param id [Integer]
    # @param attributes [Hash] those of FIELDS that change
    # @return [Hash] the study after the change
    def update(id, attributes)
      find(id)
      changes = attributes.slice(*FIELDS)
      db[:studies].where(id:).update(changes) unless changes.empty?
      find(id)
    end

    # Removes the study with its references, readings and checklists. Recordings stay: other studies may use them.
    #
    # @param id [Integer]
    def delete(id)
      find(id)
      db[:studies].where(id:).delete
    end
  end
end
