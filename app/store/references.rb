# frozen_string_literal: true

module Store
  # References: songs of a study, in order.
  class References < Rows
    include TakenAway

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
      standing.where(study_id:, attempt: false).order(:position, :id).map { |row| References.plain(row) }
    end

    # @param study_id [Integer]
    # @return [Array<Hash>] its references, and the songs of its attempts
    def all_of_study(study_id) = standing.where(study_id:).order(:position).map { |row| References.plain(row) }

    # @param recording_id [Integer]
    # @return [Array<Hash>] in all studies
    def of_recording(recording_id) = db[:references].where(recording_id:).order(:id).map { |row| References.plain(row) }

    # @param study_id [Integer]
    # @return [Array<Hash>] those that were thrown away: id, title and deleted_at
    def thrown_away(study_id) = db[:references].where(study_id:, attempt: false).exclude(deleted_at: nil).select(:id, :title, :deleted_at).order(:deleted_at).all

    # @param study_id [Integer]
    # @return [Array<Hash>] references of all other studies
    def elsewhere(study_id)
      standing.where(attempt: false, study_id: db[:studies].where(deleted_at: nil).select(:id)).exclude(study_id:).order(:id).map { |row| References.plain(row) }
    end

    # @param id [Integer]
    # @return [Hash]
    # @raise [Missing]
    def find(id) = References.plain(there(id))

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
        next bring_back(same[:id]) if same && same[:deleted_at] && !attempt
        raise Duplicate, known_as(same, attempt) if same

        position = last_position(study_id) + 1
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
    # @param to [Integer] its place among the references of its study, from 1
    # @raise [Missing]
    def place(id, to)
      db.transaction(mode: :immediate) do
        ids = of_study(find(id)[:study_id]).map { |row| row[:id] } - [id]
        ids.insert((to - 1).clamp(0, ids.size), id)
        ids.each_with_index { |one, i| db[:references].where(id: one).update(position: i + 1) }
      end
    end

    # Moves a reference with all that was said of it. Attempts and lists of the study that it leaves keep what they hold, but no longer rest on it.
    #
    # @param id [Integer]
    # @param study_id [Integer] where it goes
    # @return [Hash]
    # @raise [Missing]
    # @raise [Duplicate] when that study holds this recording
    def move(id, study_id)
      row = find(id)
      refuse_attempt(row)
      refuse_second(row, study_id)
      db.transaction(mode: :immediate) do
        db[:attempts].where(against_id: id).update(against_id: nil)
        db[:checklists].where(reference_id: id).update(reference_id: nil)
        db[:references].where(id:).update(study_id:, position: last_position(study_id) + 1)
      end
      find(id)
    end

    # @param row [Hash] of a reference
    # @param study_id [Integer] where it, or a copy of it, is to go
    # @raise [Duplicate] when that study holds this recording, also among what was deleted there: neither is ever lost for the other
    def refuse_second(row, study_id)
      same = db[:references][study_id:, recording_id: row[:recording_id]] or return
      raise Duplicate, "“#{row[:title]}” is in that study already." unless same[:deleted_at]

      raise Duplicate, "“#{same[:title]}” is among what was deleted in that study. Restore it there, or delete it permanently first."
    end

    # @param id [Integer]
    # @return [Hash] deleted until it is brought back
    # @raise [Missing]
    # @raise [Ethoscope::Errors::Unfit] when it is the song of an attempt
    def take_away(id)
      refuse_attempt(find(id))
      super
    end

    # @param id [Integer]
    # @raise [Missing]
    # @raise [Ethoscope::Errors::Unfit] when it is the song of an attempt
    def delete(id)
      refuse_attempt(existing(db[:references][id:], kind))
      db[:references].where(id:).delete
    end

    private

    def table = :references

    def kind = "reference"

    # An attempt and its song are one: neither goes without the other.
    def refuse_attempt(row)
      return unless row[:attempt]

      raise Ethoscope::Errors::Unfit, "this is the song of attempt #{db[:attempts].where(song_id: row[:id]).get(:number)}. Delete the attempt, and it goes with it"
    end

    def last_position(study_id) = db[:references].where(study_id:).max(:position) || 0

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
