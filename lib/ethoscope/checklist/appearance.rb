# frozen_string_literal: true

module Ethoscope
  module Checklist
    # Items in the order in which the song first needs them: what holds for all of it, then section by section, at last what is done to the whole.
    # The way is our own.
    class Appearance
      # What is done to the whole song when all of it is there, whatever bars it names.
      LAST = %w[Mix Check].freeze

      # @param first [Array<String>] stages that come before the first bar
      # @param stages [Array<String>] in the order of work within a section
      def initialize(first, stages)
        @first = first
        @stages = stages
      end

      # @param items [Array<Hash>] stage, about and targets (as {Measures::Target#to_h} gives them)
      # @return [Array<Array(String, Hash)>] each under its heading: a section, or its stage where it is in no bar
      def ordered(items)
        @items = items
        placed = items.reject { |item| (@first + LAST).include?(item[:stage]) }.select { |item| bar(item) }
        before, after = (items - placed).sort_by.with_index { |item, i| [@stages.index(item[:stage]), i] }.partition { |item| @first.include?(item[:stage]) }
        [*under_stages(before), *under_sections(placed), *under_stages(after)]
      end

      private

      def under_stages(items) = items.map { |item| [item[:stage], item] }

      def under_sections(items)
        items.map { |item| [section(bar(item)), item] }.sort_by.with_index { |(section, item), i| [section[:first_bar], @stages.index(item[:stage]), i] }
             .map { |section, item| [heading(section), item] }
      end

      def heading(section) = "#{section[:label].capitalize}, bar #{section[:first_bar]}"

      # The first bar that it is about: of its targets, or else the one where its layer first plays.
      def bar(item) = bars[item] ||= item[:targets].filter_map { |target| target[:first_bar] }.min || first_played(item[:about])

      def bars = @bars ||= {}.compare_by_identity

      def first_played(about)
        name = about.to_s[/\Alayer:(.+)/, 1] or return nil
        plays.select { |target| [target[:layer], target[:role]].include?(name) }.map { |target| target[:first_bar] }.min
      end

      def plays = @plays ||= targets("layers.plays").select { |target| %w[full thin].include?(target[:value]) }

      def sections = @sections ||= targets("form.section").select { |target| target[:first_bar] }.uniq { |target| target[:first_bar] }

      def section(bar) = sections.reverse.find { |one| one[:first_bar] <= bar } || { label: "from", first_bar: bar }

      def targets(measure) = @items.flat_map { |item| item[:targets] }.select { |target| target[:measure] == measure }.sort_by { |target| target[:first_bar].to_i }
    end
  end
end
