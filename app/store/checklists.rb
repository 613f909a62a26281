# frozen_string_literal: true

module Store
  # Checklists: made, put into another order, renamed, copied, taken away. What stands on them are {Items}.
  class Checklists < Rows
    include TakenAway

    # What a copy starts without.
    FRESH = { state: "open", result: nil, why: "", spent: 0, extra: 0, started_at: nil }.freeze

    # @param study_id [Integer]
    # @return [Array<Hash>] newest first, each with how much is done
    def of_study(study_id)
      counts = db[:items].join(:checklists, id: :checklist_id).where(study_id:).group_and_count(:checklist_id, :state).all
      standing.where(study_id:).order(Sequel.desc(:id)).all.map do |row|
        mine = counts.select { |count| count[:checklist_id] == row[:id] }
        done = mine.select { |count| count[:state] == "done" }
        row.except(:applied).merge(total: mine.sum { |count| count[:count] }, done: done.sum { |count| count[:count] })
      end
    end

    # @param id [Integer]
    # @return [Hash] with its items
    # @raise [Missing]
    def find(id)
      row = there(id)
      row.except(:applied).merge(items: db[:items].where(checklist_id: id).order(:position).map { |item| Items.plain(item) }, **ListEdits.new(db).state(row))
    end

    # @param id [Integer]
    # @return [Hash, nil] the first item that is open: id, number, title
    def next_item(id) = db[:items].where(checklist_id: id, state: "open").order(:position).select(:id, :number, :title).first

    # @param study_id [Integer]
    # @param title [String]
    # @param school [Ethoscope::Checklist::School]
    # @param items [Array<Ethoscope::Checklist::Item>]
    # @param reference_id [Integer, nil]
    # @param reading_ids [Hash{String => Integer}] the reading of each aspect that items may come from
    # @return [Hash] the new checklist with its items; boxes are sized by how long this person takes
    def create(study_id:, title:, school:, items:, reference_id: nil, reading_ids: {})
      db.transaction(mode: :immediate) do
        id = db[:checklists].insert(study_id:, title: free_title(study_id, title), school: school.id, reference_id:, created_at: now)
        pace = Ethoscope::Checklist::Pace.new(db[:items].where(state: "done").select(:stage, :minutes, :spent).all)
        ordered = school.ordered(items.map(&:to_h))
        numbers = Ethoscope::Checklist::School.numbers(ordered.map(&:first))
        ordered.zip(numbers).each_with_index do |((heading, item), number), position|
          db[:items].insert(checklist_id: id, position:, number:, heading:, reading_id: reading_ids[item[:from]],
            **Items.row({ **item, minutes: pace.sized(item[:stage], item[:minutes]) }))
        end
        find(id)
      end
    end

    # Puts the items into the order of another school; ticks and notes stay with them.
    #
    # @param id [Integer]
    # @param school [Ethoscope::Checklist::School]
    # @return [Hash] the checklist
    # @raise [Missing]
    def reorder(id, school)
      ListEdits.new(db).record(id, "Order: #{school.name}") do
        Arranging.new(db, id).set(school.ordered(find(id)[:items]).map { |heading, item| [heading, item[:id]] })
        db[:checklists].where(id:).update(school: school.id, by_hand: false)
      end
      find(id)
    end

    # @param id [Integer]
    # @param title [String]
    # @return [Hash] the checklist
    # @raise [Missing]
    def rename(id, title)
      existing(db[:checklists][id:], "checklist")
      db[:checklists].where(id:).update(title:)
      find(id)
    end

    # @param id [Integer]
    # @return [Hash] a list of the same items, all of them open
    # @raise [Missing]
    def copy(id)
      db.transaction(mode: :immediate) do
        row = existing(db[:checklists][id:], "checklist")
        twin = db[:checklists].insert(**row.except(:id), title: free_title(row[:study_id], "#{row[:title]}, copy"), applied: 0, created_at: now)
        db[:items].where(checklist_id: id).each { |item| db[:items].insert(**item.except(:id), **FRESH, checklist_id: twin) }
        find(twin)
      end
    end

    # @param study_id [Integer]
    # @return [Array<Hash>] those that were thrown away: id, title and deleted_at
    def thrown_away(study_id) = db[:checklists].where(study_id:).exclude(deleted_at: nil).select(:id, :title, :deleted_at).order(:deleted_at).all

    # @param id [Integer]
    def delete(id)
      existing(db[:checklists][id:], kind)
      db[:checklists].where(id:).delete
    end

    private

    def table = :checklists

    def kind = "checklist"

    # Two lists of one name could not be told apart.
    def free_title(study_id, title)
      taken = db[:checklists].where(study_id:).select_map(:title)
      [title, *(2..(taken.size + 1)).map { |number| "#{title} #{number}" }].find { |name| !taken.include?(name) }
    end
  end
end
