# frozen_string_literal: true

module Ethoscope
  module Checklist
    # What of a checklist fits into the time that one has: items that are still open, in the order of work, each with its box. What does not fit any more is passed
    # over for smaller ones after it; ears rest after a long stretch, and that time is taken off. The way is our own.
    class Session
      # Minutes of work after which ears rest, and for how long.
      STRETCH = 50
      REST = 8

      # @return [Array<Hash>] items to do, in order
      attr_reader :items

      # @param items [Array<Hash>] in the order of work: state and minutes
      # @param minutes [Integer] that one has
      def initialize(items, minutes)
        @minutes = minutes
        @items = items.select { |item| item[:state] == "open" }.each_with_object([]) do |item, chosen|
          chosen << item if fits?(chosen.sum { |one| one[:minutes] } + item[:minutes])
        end.freeze
        freeze
      end

      # @return [Integer] minutes of work in them
      def work = items.sum { |item| item[:minutes] }

      # @return [Integer] minutes in which ears rest
      def rest = rest_after(work)

      # @return [Hash] minutes, work, rest and items: the ids of those that fit
      def to_h = { minutes: @minutes, work:, rest:, items: items.map { |item| item[:id] } }

      private

      def fits?(work) = work + rest_after(work) <= @minutes

      # A rest stands between two stretches, none after the last one.
      def rest_after(work) = work.positive? ? (work - 1) / STRETCH * REST : 0
    end
  end
end
