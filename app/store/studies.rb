# frozen_string_literal: true

module Store
  # Studies: a piece of work with an aim.
  class Studies < Rows
    include TakenAway

    FIELDS = %i[title aim scope_from scope_bar target_bpm target_tonic target_mode target_way target_meter].freeze

    # @return [Array<Hash>] newest first, with how many references each holds
    def all
      counts = db[:references].where(attempt: false, deleted_at: nil).group_and_count(:study_id).as_hash(:study_id, :count)
      db[:studies].where(deleted_at: nil).order(Sequel.desc(:id)).all.map { |study| study.merge(references: counts.fetch(study[:id], 0)) }
    end

    # @return [Array<Hash>] those that were thrown away, newest first
    def thrown_away = db[:studies].exclude(deleted_at: nil).order(Sequel.desc(:deleted_at)).all

    # @param id [Integer]
    # @return [Hash]
    # @raise [Missing]
    def find(id) = there(id)

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

    # Removes the study for good, with its references, readings and checklists. Recordings stay: other studies may use them.
    #
    # @param id [Integer]
    def delete(id)
      existing(db[:studies][id:], kind)
      db[:studies].where(id:).delete
    end

    private

    def table = :studies

    def kind = "study"
  end
end
