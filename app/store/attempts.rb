# frozen_string_literal: true

module Store
  # Attempts: versions of the user's own track, each a song among the references that no list of references shows. None is ever lost: what is taken away comes back
  # with all that was said of it.
  class Attempts < Rows
    # What can be said of one: a note, the reference and the checklist that it is held against, and how it lies (starts: [its bar, the reference's bar]; semitones).
    SAID = %i[note against_id checklist_id lies].freeze
    DATA = %i[lies settled].freeze

    # @param row [Hash] as the table has it
    # @return [Hash] with its data read, without the state of the checklist
    def self.plain(row) = row.except(:list).merge(DATA.to_h { |name| [name, JSON.parse(row[name], symbolize_names: true)] })

    # @param study_id [Integer]
    # @return [Array<Hash>] in order, those that were taken away too
    def of_study(study_id) = db[:attempts].where(study_id:).order(:number).map { |row| Attempts.plain(row) }

    # @param study_id [Integer]
    # @return [Array<Hash>] those that were not taken away
    def standing(study_id) = of_study(study_id).reject { |row| row[:deleted_at] }

    # @param id [Integer]
    # @return [Hash]
    # @raise [Missing]
    def find(id) = Attempts.plain(existing(db[:attempts][id:], "attempt"))

    # @param ids [Array<Integer>] rows of the references
    # @return [Array<Hash>] attempts that are one of them, or are held against one, and were not read again yet
    def laid_with(ids)
      rows = db[:attempts].where(settled: "{}").where(Sequel.|({ song_id: ids }, { against_id: ids }))
      rows.order(:id).map { |row| Attempts.plain(row) }
    end

    # @param song [Hash] a row of the references
    # @param against_id [Integer, nil] a reference; nil for the profile of all
    # @param checklist [Hash, nil] with its items, as they stand now
    # @param note [String]
    # @return [Hash] the new attempt
    def create(song, against_id:, checklist:, note: "")
      number = (db[:attempts].where(study_id: song[:study_id]).max(:number) || 0) + 1
      find(db[:attempts].insert(study_id: song[:study_id], song_id: song[:id], against_id:, checklist_id: checklist&.fetch(:id), number:, note:,
        list: checklist && JSON.generate(checklist[:items]),
        created_at: now))
    end

    # Another checklist is kept as it stands now.
    #
    # @param id [Integer]
    # @param attributes [Hash] any of SAID
    # @return [Hash]
    # @raise [Missing]
    def update(id, attributes)
      was = find(id)
      said = attributes.slice(*SAID)
      said[:list] = listed(said[:checklist_id]) if said.fetch(:checklist_id, was[:checklist_id]) != was[:checklist_id]
      db[:attempts].where(id:).update(said.merge(said.slice(:lies).transform_values { |lies| JSON.generate(lies) })) unless said.empty?
      find(id)
    end

    # @param id [Integer]
    # @param settled [Hash] what it was read again with because its reference counts so
    def settle(id, settled) = db[:attempts].where(id:).update(settled: JSON.generate(settled))

    # @param id [Integer]
    # @return [Hash] taken away until it is brought back
    def take_away(id) = find(id) && db[:attempts].where(id:).update(deleted_at: now) && find(id)

    # @param id [Integer]
    # @return [Hash]
    def bring_back(id) = find(id) && db[:attempts].where(id:).update(deleted_at: nil) && find(id)

    # Puts the checklist into the state in which it was when the attempt was made; that can be undone like any other change of the list.
    #
    # @param id [Integer]
    # @return [Hash] the checklist
    # @raise [Missing] when there was none, or it is gone
    def restore(id)
      attempt = find(id)
      raise Missing, "This attempt was made without a checklist." unless attempt[:checklist_id]

      items = parse(db[:attempts].where(id:).get(:list))
      ListEdits.new(db).record(attempt[:checklist_id], "The state of attempt #{attempt[:number]}") do
        db[:items].where(checklist_id: attempt[:checklist_id]).exclude(id: items.map { |item| item[:id] }).delete
        items.each { |item| put_back(attempt[:checklist_id], item) }
      end
      Checklists.new(db).find(attempt[:checklist_id])
    end

    # @param id [Integer]
    # @return [Hash{Integer => Hash}] by item closeness and why, where a person overruled a verdict
    def overruled(id) = db[:overrules].where(attempt_id: id).as_hash(:item_id).transform_values { |row| row.slice(:closeness, :why) }

    # @param id [Integer]
    # @param item_id [Integer]
    # @param closeness [String]
    # @param why [String]
    # @raise [Missing]
    def overrule(id, item_id, closeness:, why:)
      attempt = find(id)
      existing(db[:items].where(id: item_id, checklist_id: attempt[:checklist_id]).first, "item on the checklist of this attempt")
      db[:overrules].insert_conflict(target: %i[attempt_id item_id], update: { closeness:, why: }).insert(attempt_id: id, item_id:, closeness:, why:, created_at: now)
    end

    # @param id [Integer]
    # @param item_id [Integer]
    def judge_again(id, item_id) = db[:overrules].where(attempt_id: id, item_id:).delete

    private

    def listed(checklist_id) = checklist_id && JSON.generate(Checklists.new(db).find(checklist_id)[:items])

    # Time that was spent stays spent.
    def put_back(checklist_id, item)
      columns = db[:items].columns - ListEdits::CLOCK - %i[id checklist_id]
      row = tied(Items.row(item.slice(*columns)), ListEdits::LINKS)
      same = db[:items].where(id: item[:id], checklist_id:)
      same.empty? ? db[:items].insert(id: item[:id], checklist_id:, **row) : same.update(row)
    end
  end
end
