# frozen_string_literal: true

module Store
  # Remembers every change that a person makes to the readings of a reference, so that it can be undone and done again, at any
  # depth and after a restart. Each edit holds the rows that it touched as they were before and after.
  #
  #   journal.record(reference_id, "Confirm tempo") { |readings| readings.mark(id, "confirmed") }
  #   journal.undo(reference_id)
  class Journal < Rows
    # What a reading rests on, which may be gone when the reading comes back.
    LINKS = { analysis_id: :analyses, supersedes_id: :readings }.freeze

    # @param reference_id [Integer]
    # @param label [String] what is done, in words
    # @param revision [Integer, nil] of the sheet that the person saw; nil to change it whatever it is
    # @yieldparam readings [Readings] through which everything is changed that is to be undone
    # @yieldreturn [Object] handed back
    # @return [Object]
    # @raise [Stale] when the sheet has moved on; nothing is changed then
    # @raise [Ethoscope::Errors::Unfit] when what is to be stored makes no sense
    def record(reference_id, label, revision: nil, &change)
      db.transaction(mode: :immediate) { carry_out(current(reference_id, revision), label, &change) }
    end

    # @param reference_id [Integer]
    # @param revision [Integer, nil]
    # @return [String, nil] what was undone, nil when there was nothing
    # @raise [Stale]
    def undo(reference_id, revision: nil) = step(reference_id, revision, :before, 0)

    # @param reference_id [Integer]
    # @param revision [Integer, nil]
    # @return [String, nil] what was done again
    # @raise [Stale]
    def redo(reference_id, revision: nil) = step(reference_id, revision, :after, 1)

    # @param reference_id [Integer]
    # @return [Hash] revision, edits (number, label, created_at, undone), and what undo and redo would do
    def state(reference_id)
      reference = db[:references][id: reference_id]
      edits = db[:edits].where(reference_id:).order(:number).select(:number, :label, :created_at).all
      named = edits.to_h { |edit| [edit[:number], edit[:label]] }
      { revision: reference[:revision], undo: named[reference[:applied]], redo: named[reference[:applied] + 1],
        edits: edits.map { |edit| edit.merge(undone: edit[:number] > reference[:applied]) } }
    end

    private

    def carry_out(reference, label)
      tape = Tape.new
      result = yield Readings.new(db, tape)
      changes = tape.changes { |ids| db[:readings].where(id: ids).as_hash(:id) }
      write(reference, label, changes) unless changes.empty?
      result
    end

    def current(reference_id, revision)
      reference = existing(db[:references][id: reference_id], "reference")
      return reference if revision.nil? || revision == reference[:revision]

      labels = db[:edits].where(reference_id:).where { Sequel[:revision] > revision }.order(:number).select_map(:label)
      raise Stale.new(reference[:revision], labels)
    end

    # What was undone before can't be done again once something else is done.
    def write(reference, label, changes)
      id, applied, revision = reference.values_at(:id, :applied, :revision)
      db[:edits].where(reference_id: id).where { number > applied }.delete
      db[:edits].insert(reference_id: id, number: applied + 1, revision: revision + 1, label:, changes: JSON.generate(changes), created_at: now)
      db[:references].where(id:).update(applied: applied + 1, revision: revision + 1)
    end

    def step(reference_id, revision, image, ahead)
      db.transaction(mode: :immediate) do
        reference = current(reference_id, revision)
        edit = db[:edits][reference_id:, number: reference[:applied] + ahead] or next
        changes = parse(edit[:changes])
        put_back(changes, image)
        Readings.new(db).carry_over(reference_id, changes.map { |change| change[:id] })
        db[:references].where(id: reference_id).update(applied: reference[:applied] + (ahead.zero? ? -1 : 1), revision: reference[:revision] + 1)
        edit[:label]
      end
    end

    # Newest rows go first and come last, since they may point to older ones.
    def put_back(changes, image)
      gone, kept = changes.partition { |change| change[image].nil? }
      gone.reverse_each { |change| db[:readings].where(id: change[:id]).delete }
      kept.each do |change|
        row = db[:readings].where(id: change[:id])
        image_of = tied(change[image], LINKS)
        row.empty? ? db[:readings].insert(image_of) : row.update(image_of)
      end
    end
  end
end
