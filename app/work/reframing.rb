# frozen_string_literal: true

module Work
  # What checklists say once another tempo or key is wanted: every item that says what the readings say follows; what a person wrote, or the readings have left
  # behind, stays. One undo takes all of it back.
  class Reframing
    LABEL = "Another tempo or key"

    # @param library [Store::Library]
    # @param before [Hash] the study as it was
    # @param after [Hash] the study as it is
    # @param kept [Store::Kept]
    def initialize(library, before, after, kept)
      @library = library
      @before = before
      @after = after
      @kept = kept
    end

    # @return [Integer] items that follow
    def follow
      return 0 if Wanted.of(@before) == Wanted.of(@after)

      @library.checklists.of_study(@after[:id]).sum { |row| followed(@library.checklists.find(row[:id])) }
    end

    private

    def followed(checklist)
      was, now = [@before, @after].map { |study| Planning.new(@library, study, @kept).all_now(checklist) }
      return 0 unless was && now

      changes = checklist[:items].each_with_index.filter_map { |item, i| [item[:id], now[i]] if now[i] && Planning.same?(item, was[i]) && !Planning.same?(item, now[i]) }.to_h
      @library.items.retarget_all(checklist[:id], changes, LABEL) unless changes.empty?
      changes.size
    end
  end
end
