# frozen_string_literal: true

module Store
  # Where the items of one checklist stand: position, heading and number of each follow from one list.
  class Arranging
    # @param db [Sequel::Database]
    # @param checklist_id [Integer]
    def initialize(db, checklist_id)
      @items = db[:items].where(checklist_id:)
    end

    # @return [Array<Array(String, Integer)>] heading and id of each item, in order
    def now = @items.order(:position).select_map(%i[heading id])

    # @param order [Array<Array(String, Integer)>] heading and id of all items
    def set(order)
      order.zip(Ethoscope::Checklist::School.numbers(order.map(&:first))).each_with_index do |((heading, id), number), position|
        @items.where(id:).update(position:, heading:, number:)
      end
    end

    # @param id [Integer] an item
    # @param to [Integer] where it is to stand, from 0; it goes under the heading of what stands there
    def move(id, to)
      order = now
      from = order.index { |_, item| item == id }
      to = to.clamp(0, order.size - 1)
      order.insert(to, [order[to].first, order.delete_at(from).last]) unless from == to
      set(order)
    end

    # @param id [Integer] an item that was added
    # @param before [Integer] the item after which it is to stand
    def follow(id, before)
      order = now.reject { |_, item| item == id }
      at = order.index { |_, item| item == before }
      set(order.insert(at + 1, [order[at].first, id]))
    end
  end
end
