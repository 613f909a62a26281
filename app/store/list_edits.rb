# frozen_string_literal: true

module Store
  # Remembers every change of a checklist's items, so that it can be undone and done again, also after a restart. Of each row that changed it holds the
  # fields that did, before and after; time that was spent stays spent.
  class ListEdits < Rows
    # Of a list as many changes are kept.
    MOST = 200
    CLOCK = %i[spent started_at].freeze
    # What an item rests on, which may be gone when the item comes back.
    LINKS = { reading_id: :readings }.freeze
    LIST = %i[school by_hand].freeze

    # @param id [Integer] of a checklist
    # @param label [String] what is done, in words
    # @yieldreturn [Object] handed back
    # @return [Object]
    # @raise [Missing]
    def record(id, label)
      db.transaction(mode: :immediate) do
        before = image(id)
        result = yield
        changes = difference(before, image(id))
        write(id, label, changes) unless changes.empty?
        result
      end
    end

    # @param id [Integer]
    # @return [String, nil] what was undone
    def undo(id) = step(id, :before, 0)

    # @param id [Integer]
    # @return [String, nil] what was done again
    def redo(id) = step(id, :after, 1)

    # @param row [Hash] of a checklist
    # @return [Hash] what undo and redo would do, in words
    def state(row)
      labels = db[:checklist_edits].where(checklist_id: row[:id], number: [row[:applied], row[:applied] + 1]).select_hash(:number, :label)
      { undo: labels[row[:applied]], redo: labels[row[:applied] + 1] }
    end

    private

    # The list itself is row 0.
    def image(id)
      list = existing(db[:checklists].first(id:, deleted_at: nil), "checklist")
      { 0 => list.slice(*LIST), **db[:items].where(checklist_id: id).as_hash(:id) }
    end

    def difference(before, after)
      (before.keys | after.keys).filter_map do |id|
        was, is = [before, after].map { |rows| rows[id] }
        next { id:, before: was, after: is } unless was && is

        fields = is.keys.reject { |field| was[field] == is[field] || CLOCK.include?(field) }
        { id:, before: was.slice(*fields), after: is.slice(*fields) } unless fields.empty?
      end
    end

    # What was undone before can't be done again once something else is done.
    def write(id, label, changes)
      number = db[:checklists].where(id:).get(:applied) + 1
      edits = db[:checklist_edits].where(checklist_id: id)
      edits.where { (Sequel[:number] >= number) | (Sequel[:number] <= number - MOST) }.delete
      db[:checklist_edits].insert(checklist_id: id, number:, label:, changes: JSON.generate(changes), created_at: now)
      db[:checklists].where(id:).update(applied: number)
    end

    def step(id, image, ahead)
      db.transaction(mode: :immediate) do
        applied = existing(db[:checklists].first(id:, deleted_at: nil), "checklist")[:applied]
        edit = db[:checklist_edits][checklist_id: id, number: applied + ahead] or next
        parse(edit[:changes]).each { |change| put_back(id, change, image) }
        db[:checklists].where(id:).update(applied: applied + (ahead.zero? ? -1 : 1))
        edit[:label]
      end
    end

    def put_back(id, change, image)
      fields = change[image]&.then { |row| tied(row, LINKS) }
      return db[:checklists].where(id:).update(fields) if change[:id].zero?

      item = db[:items].where(id: change[:id])
      if fields.nil? then item.delete
      elsif item.empty? then db[:items].insert(fields)
      else item.update(fields)
      end
    end
  end
end
