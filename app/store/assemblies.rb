# frozen_string_literal: true

module Store
  # Songs that come without a mix: which files they are put together from, and how far that is. A row is gone when its song stands.
  class Assemblies < Rows
    TABLE = :assemblies
    WORK = "Putting this song together"

    include Runs

    # @param study_id [Integer]
    # @return [Array<Hash>] those that wait for files, run or failed
    def of_study(study_id) = db[:assemblies].where(study_id:).order(:id).map { |row| plain(row) }

    # @param id [Integer]
    # @return [Hash]
    # @raise [Missing]
    def find(id) = plain(existing(db[:assemblies][id:], "assembly"))

    # @param study_id [Integer]
    # @param title [String]
    # @param attempt [Hash, nil] against_id and checklist_id, where it becomes an attempt of one's own
    # @return [Hash] open, to take files
    def create(study_id, title, attempt: nil) = find(db[:assemblies].insert(study_id:, title:, attempt: attempt && JSON.generate(attempt), state: "open", created_at: now))

    # @param id [Integer]
    # @param recording [Hash]
    # @param name [String]
    # @return [Hash]
    # @raise [Duplicate] when it has that stem, or too many
    def add_stem(id, recording, name)
      db.transaction(mode: :immediate) do
        stems = find(id)[:stems]
        raise Duplicate, "This stem is there already." if stems.any? { |stem| stem[:recording_id] == recording[:id] }
        raise Duplicate, "A song takes at most #{Stems::MOST} stems." if stems.size >= Stems::MOST

        db[:assemblies].where(id:).update(stems: JSON.generate([*stems, { recording_id: recording[:id], name: }]))
        find(id)
      end
    end

    # @param id [Integer]
    # @param sha256 [String]
    # @param name [String]
    # @return [Hash]
    def add_score(id, sha256, name)
      db[:assemblies].where(id:).update(score_sha256: sha256, score_name: name)
      find(id)
    end

    # Has it put together.
    #
    # @param id [Integer]
    # @return [Hash]
    # @raise [Ethoscope::Errors::Unfit] when there is nothing to put together
    def queue(id)
      row = find(id)
      raise Ethoscope::Errors::Unfit, "add stems or a MIDI file first" if row[:stems].empty? && row[:score_sha256].nil?

      db[:assemblies].where(id:).exclude(state: "running").update(state: "queued", error: nil, tries: 0)
      find(id)
    end

    # @param id [Integer]
    def delete(id)
      find(id)
      db[:assemblies].where(id:).delete
    end

    private

    def plain(row) = row.merge(stems: parse(row[:stems]), attempt: row[:attempt] && parse(row[:attempt]))
  end
end
