# frozen_string_literal: true

module Store
  # References: songs of a study, in order.
  class References < Rows
    # What can be said of one.
    SAID = %i[title artist standing words credits].freeze
    # Columns that hold lists.
    LISTS = %i[words credits].freeze

    # @param reference [Hash] as the table has it
    # @return [Hash] with its lists read
    def self.plain(reference) = reference.merge(LISTS.to_h { |name| [name, JSON.parse(reference[name], symbolize_names: true)] })

    # @param study_id [Integer]
    # @return [Array<Hash>] in order, each with its latest analysis without data
    def of_study(study_id)
      db[:references].where(study_id:, attempt: false).order(:position).map { |row| References.plain(row) }
    end

    # @param study_id [Integer]
    # @return [Array<Hash>] its references, and the songs of its attempts
    def all_of_study(study_id) = db[:references].where(study_id:).order(:position).map { |row| References.plain(row) }

    # @param recording_id [Integer]
    # @return [Array<Hash>] in all studies
    def of_recording(recording_id) = db[:references].where(recording_id:).order(:id).map { |row| References.plain(row) }

    # @param study_id [Integer]
    # @return [Array<Hash>] references of all other studies
    def elsewhere(study_id) = db[:references].where(attempt: false).exclude(study_id:).order(:id).map { |row| References.plain(row) }

    # @param id [Integer]
    # @return [Hash]
    # @raise [Missing]
    def find(id) = References.plain(existing(db[:references][id:], "reference"))

    # @param study_id [Integer]
    # @param recording [Hash]
    # @param title [String]
    # @param artist [String, nil]
    # @param original_name [String]
    # @param attempt [Boolean] whether it is the user's own track
    # @return [Hash] the new reference
    # @raise [Duplicate] when the study holds this recording
    def create(study_id:, recording:, title:, artist:, original_name:, attempt: false)
      db.transaction(mode: :immediate) do
        same = db[:references][study_id:, recording_id: recording[:id]]
        raise Duplicate, known_as(same, attempt) if same

        position = (db[:references].where(study_id:).max(:position) || 0) + 1
        find(db[:references].insert(study_id:, recording_id: recording[:id], title:, artist:, original_name:, position:, attempt:,
          created_at: now))
      end
    end

    # @param id [Integer]
    # @param attributes [Hash] any of SAID
    # @return [Hash]
    def update(id, attributes)
      find(id)
      said = attributes.slice(*SAID)
      db[:references].where(id:).update(said.merge(said.slice(*LISTS).transform_values { |list| JSON.generate(list) })) unless said.empty?
      find(id)
    end

    # @param id [Integer]
    def delete(id)
      find(id)
      db[:references].where(id:).delete
    end

    private

    # How a recording that is dropped again is known.
    def known_as(same, attempt)
      number = db[:attempts].where(song_id: same[:id]).select(:number, :created_at).first
      if number then "You dropped this very file before: it is attempt #{number[:number]}, of #{number[:created_at][0, 10]}."
      elsif attempt then "This is the very file of the reference “#{same[:title]}”. Drop a bounce of your own track."
      else "This recording is in the study already, as “#{same[:title]}”."
      end
    end
  end
end
