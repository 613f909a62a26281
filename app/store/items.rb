# frozen_string_literal: true

module Store
  # The items of checklists: worded, settled, moved, split, joined, added and taken away. Every change can be undone, see {ListEdits}.
  class Items < Rows
    # What a person may say in other words.
    WORDS = %i[title target tolerance minutes steps].freeze
    # What else may be said of one.
    SAID = %i[state result why note who links extra pins].freeze
    # Columns that hold lists.
    LISTS = %i[steps targets links pins].freeze

    # @param item [Hash] as the table has it
    # @return [Hash] with its lists read
    def self.plain(item) = item.merge(LISTS.to_h { |name| [name, JSON.parse(item[name], symbolize_names: true)] })

    # @param item [Hash] any of an item's attributes
    # @return [Hash] as the table has it
    def self.row(item) = item.merge(item.slice(*LISTS).transform_values { |list| JSON.generate(list) })

    # @param id [Integer] an item
    # @return [Hash]
    # @raise [Missing]
    def find(id) = Items.plain(existing(db[:items][id:], "item"))

    # @param checklist_id [Integer, nil]
    # @return [Array<String>] what the items are about that were left out
    def skipped(checklist_id) = db[:items].where(checklist_id:, state: "skipped").exclude(about: nil).select_map(:about)

    # Gives an item the target that follows from the readings now; its tick and its note stay.
    #
    # @param id [Integer]
    # @param now [Ethoscope::Checklist::Item]
    # @return [Hash]
    def retarget(id, now)
      change(id, "New target") { |row| row.update(Items.row(now.to_h.slice(:target, :tolerance, :targets, :minutes, :steps, :fallback))) }
    end

    # Gives several items their targets anew, as one change.
    #
    # @param checklist_id [Integer]
    # @param items [Hash{Integer => Ethoscope::Checklist::Item}]
    # @param label [String] what undo calls it
    def retarget_all(checklist_id, items, label)
      edits.record(checklist_id, label) do
        items.each { |id, now| db[:items].where(id:).update(Items.row(now.to_h.slice(:target, :tolerance, :targets, :steps, :fallback))) }
      end
    end

    # @param id [Integer] an item
    # @param attributes [Hash] any of WORDS and SAID, which the logbook learns of; what has a result is done, and what is open again or left out has none
    # @return [Hash] the item after the change
    # @raise [Missing]
    def update(id, attributes)
      change = attributes.slice(*WORDS, *SAID)
      change = change.merge(own: true) if change.keys.intersect?(WORDS)
      change = change.merge(state: "done") if change[:result]
      change = change.merge(result: nil) if %w[open skipped].include?(change[:state])
      return find(id) if change.empty?

      change(id, Settled.label(change)) do |row|
        Logbook.new(db).decided(row.first, change)
        row.update(Items.row(change))
      end
    end

    # Adds something to do at the end of its stage.
    #
    # @param checklist_id [Integer]
    # @param attributes [Hash] stage and title, and any of target and minutes
    # @return [Hash] the item
    # @raise [Missing]
    def add(checklist_id, attributes)
      item = Ethoscope::Checklist::Item.new(tolerance: "by ear", targets: [], steps: [], fallback: "", from: "you", about: nil, target: "as you hear it", minutes: 10,
        **attributes.slice(:stage, *WORDS))
      edits.record(checklist_id, "Add an item") do
        insert({ **item.to_h, checklist_id:, own: true, heading: item.stage }, last_of(checklist_id, item.stage))
      end
    end

    # @param checklist_id [Integer]
    # @param items [Array<Ethoscope::Checklist::Item>] each goes to the end of its stage
    # @return [Hash] the checklist
    # @raise [Missing]
    def add_all(checklist_id, items)
      edits.record(checklist_id, "Add #{items.size} from the profile") do
        items.each { |item| insert({ **item.to_h, checklist_id:, heading: item.stage }, last_of(checklist_id, item.stage)) }
      end
      Checklists.new(db).find(checklist_id)
    end

    # @param id [Integer] an item
    # @raise [Missing]
    def delete(id)
      row = find(id)
      edits.record(row[:checklist_id], "Delete “#{row[:title]}”") do
        db[:items].where(id:).delete
        arranging(row).then { |arranging| arranging.set(arranging.now) }
      end
    end

    # @param id [Integer] an item
    # @param to [Integer] its place in the list, from 0
    # @raise [Missing]
    def move(id, to)
      row = find(id)
      edits.record(row[:checklist_id], "Move “#{row[:title]}”") do
        arranging(row).move(id, to)
        db[:checklists].where(id: row[:checklist_id]).update(by_hand: true)
      end
    end

    # @param id [Integer] an item
    # @param at [Integer] the step, from 1, with which the new item begins
    # @return [Hash] the new item
    # @raise [Missing]
    # @raise [Ethoscope::Errors::Unfit] when there are not so many steps
    def split(id, at)
      row = find(id)
      first, second = Ethoscope::Checklist::Parting.split(row, at)
      edits.record(row[:checklist_id], "Split “#{row[:title]}”") do
        db[:items].where(id:).update(Items.row({ **first, own: true }))
        insert({ **row.except(:id, :number, :position, :now), **Checklists::FRESH, **second, note: "", own: true }, row)
      end
    end

    # Makes one item of this and the next.
    #
    # @param id [Integer] an item
    # @return [Hash] the item
    # @raise [Missing]
    # @raise [Ethoscope::Errors::Unfit] when it is the last one
    def join(id)
      row = find(id)
      other = db[:items].where(checklist_id: row[:checklist_id]).where { position > row[:position] }.order(:position).first
      raise Ethoscope::Errors::Unfit, "this is the last item of the list: there is none after it to join" unless other

      change(id, "Join “#{row[:title]}” with the next") do |item|
        item.update(Items.row({ **Ethoscope::Checklist::Parting.join(row, Items.plain(other)), own: true }))
        db[:items].where(id: other[:id]).delete
        arranging(row).then { |arranging| arranging.set(arranging.now) }
      end
    end

    private

    def edits = ListEdits.new(db)

    # The item after which another of its stage stands.
    def last_of(checklist_id, stage)
      all = db[:items].where(checklist_id:).order(:position).select(:id, :stage).all
      all.reverse.find { |one| one[:stage] == stage } || all.last
    end

    def arranging(row) = Arranging.new(db, row[:checklist_id])

    def change(id, label)
      row = existing(db[:items][id:], "item")
      edits.record(row[:checklist_id], label) do
        yield db[:items].where(id:)
        find(id)
      end
    end

    def insert(attributes, after)
      id = db[:items].insert(Items.row({ position: 0, number: "", **attributes }))
      Arranging.new(db, attributes[:checklist_id]).then { |arranging| after ? arranging.follow(id, after[:id]) : arranging.set(arranging.now) }
      find(id)
    end
  end
end
