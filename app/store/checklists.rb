# frozen_string_literal: true

module Store
  # Checklists and their items, in order.
  class Checklists < Rows
    # What a person may say in other words.
    WORDS = %i[title target minutes].freeze

    # @param study_id [Integer]
    # @return [Array<Hash>] newest first, each with how much is done
    def of_study(study_id)
      counts = db[:items].join(:checklists, id: :checklist_id).where(study_id:).group_and_count(:checklist_id, :state).all
      db[:checklists].where(study_id:).order(Sequel.desc(:id)).all.map do |row|
        mine = counts.select { |count| count[:checklist_id] == row[:id] }
        done = mine.select { |count| count[:state] == "done" }
        row.merge(total: mine.sum { |count| count[:count] }, done: done.sum { |count| count[:count] })
      end
    end

    # @param id [Integer]
    # @return [Hash] with its items
    # @raise [Missing]
    def find(id)
      row = existing(db[:checklists][id:], "checklist")
      row.merge(items: db[:items].where(checklist_id: id).order(:position).map { |item| plain(item) })
    end

    # @param study_id [Integer]
    # @param title [String]
    # @param school [Ethoscope::Checklist::School]
    # @param items [Array<Ethoscope::Checklist::Item>]
    # @param reference_id [Integer, nil]
    # @param reading_ids [Hash{String => Integer}] the reading of each aspect that items may come from
    # @return [Hash] the new checklist with its items
    def create(study_id:, title:, school:, items:, reference_id: nil, reading_ids: {})
      db.transaction(mode: :immediate) do
        id = db[:checklists].insert(study_id:, title: free_title(study_id, title), school: school.id, reference_id:, created_at: now)
        school.ordered(items, &:stage).each_with_index { |(number, item), position| insert(id, position, number, item, reading_ids) }
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
      db.transaction(mode: :immediate) do
        school.ordered(find(id)[:items]) { |item| item[:stage] }.each_with_index do |(number, item), position|
          db[:items].where(id: item[:id]).update(position:, number:)
        end
        db[:checklists].where(id:).update(school: school.id)
        find(id)
      end
    end

    # @param id [Integer] an item
    # @return [Hash]
    # @raise [Missing]
    def item(id) = plain(existing(db[:items][id:], "item"))

    # Gives an item the target that follows from the readings now; its tick and its note stay.
    #
    # @param id [Integer]
    # @param now [Ethoscope::Checklist::Item]
    # @return [Hash]
    def retarget(id, now)
      db[:items].where(id:).update(said(now))
      item(id)
    end

    # @param id [Integer] an item
    # @param attributes [Hash] state, result, why, note, and title, target and minutes in a person's words; what has a result is done, and what is open again or left out has none
    # @return [Hash] the item after the change
    # @raise [Missing]
    def update_item(id, attributes)
      existing(db[:items][id:], "item")
      change = attributes.slice(:state, :result, :why, :note, *WORDS)
      change = change.merge(own: true) if change.keys.intersect?(WORDS)
      change = change.merge(state: "done") if change[:result]
      change = change.merge(result: nil) if %w[open skipped].include?(change[:state])
      db[:items].where(id:).update(change) unless change.empty?
      plain(db[:items][id:])
    end

    # Adds something to do at the end of its stage.
    #
    # @param checklist_id [Integer]
    # @param attributes [Hash] stage and title, and any of target and minutes
    # @return [Hash] the item
    # @raise [Missing]
    def add_item(checklist_id, attributes)
      db.transaction(mode: :immediate) do
        checklist = find(checklist_id)
        item = Ethoscope::Checklist::Item.new(tolerance: "by ear", targets: [], steps: [], fallback: "", from: "you", about: nil,
          target: "as you hear it", minutes: 10, **attributes.slice(:stage, *WORDS))
        id = insert(checklist_id, checklist[:items].size, "", item, {})
        db[:items].where(id:).update(own: true)
        reorder(checklist_id, Ethoscope::Checklist::Schools.find(checklist[:school]))
        plain(db[:items][id:])
      end
    end

    # @param id [Integer] an item that a person wrote
    # @raise [Missing]
    # @raise [Ethoscope::Errors::Unfit] for one that comes from the readings
    def delete_item(id)
      row = existing(db[:items][id:], "item")
      raise Ethoscope::Errors::Unfit, "this item comes from what was measured: skip it instead" unless row[:from] == "you"

      db.transaction(mode: :immediate) do
        db[:items].where(id:).delete
        reorder(row[:checklist_id], Ethoscope::Checklist::Schools.find(db[:checklists].where(id: row[:checklist_id]).get(:school)))
      end
    end

    # @param id [Integer]
    def delete(id)
      find(id)
      db[:checklists].where(id:).delete
    end

    private

    # Two lists of one name could not be told apart.
    def free_title(study_id, title)
      taken = db[:checklists].where(study_id:).select_map(:title)
      [title, *(2..(taken.size + 1)).map { |number| "#{title} #{number}" }].find { |name| !taken.include?(name) }
    end

    def insert(checklist_id, position, number, item, reading_ids)
      db[:items].insert(checklist_id:, position:, number:, stage: item.stage, title: item.title, from: item.from, about: item.about,
        reading_id: reading_ids[item.from], **said(item))
    end

    # What an item asks for, and how.
    def said(item)
      { target: item.target, tolerance: item.tolerance, targets: JSON.generate(item.targets.map(&:to_h)), minutes: item.minutes, steps: JSON.generate(item.steps),
        fallback: item.fallback }
    end

    def plain(item) = item.merge(steps: parse(item[:steps]), targets: parse(item[:targets]))
  end
end
