# frozen_string_literal: true

module Store
  # Remembers which readings are touched while something is changed, and how each was before, so that the change can be undone without
  # comparing all of them.
  class Tape
    def initialize
      @before = {}
    end

    # @param id [Integer]
    # @param row [Hash, nil] as it is now, nil where it is about to be made
    def note(id, row) = @before.key?(id) || @before.store(id, row)

    # @yieldparam ids [Array<Integer>]
    # @yieldreturn [Hash{Integer => Hash}] the rows as they are now
    # @return [Array<Hash>] id, before and after of those that changed, by id
    def changes
      after = yield @before.keys
      @before.keys.sort.filter_map { |id| { id:, before: @before[id], after: after[id] } unless @before[id] == after[id] }
    end
  end
end
