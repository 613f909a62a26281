# frozen_string_literal: true

module Ethoscope
  module Export
    # A checklist as Markdown with task boxes.
    module ChecklistMarkdown
      CAUTION = "Remaking or sampling a recording touches other people's rights; the law differs by place. " \
                "Before a release, ask a licensed professional."
      # How a stroke is drawn that is harder than so much.
      STROKES = { Measures::Kinds::Grid::SOFT => "X", 0 => "x" }.freeze
      BOXES = { "done" => "[x]", "skipped" => "[-]", "open" => "[ ]" }.freeze

      # @param checklist [Hash] title, and items: number, heading, title, target, tolerance, minutes, steps, fallback, from, state, note
      # @return [String]
      def self.write(checklist)
        groups = checklist[:items].chunk_while { |a, b| a[:heading] == b[:heading] }
        parts = groups.map { |group| "## #{plain(group.first[:heading])}\n\n#{group.map { |item| entry(item) }.join}" }
        ["# #{plain(checklist[:title])}\n", *parts, "---\n\n#{CAUTION}\n"].join("\n")
      end

      def self.entry(item)
        within = item[:tolerance].empty? ? "" : " (#{item[:tolerance]})"
        lines = ["- #{BOXES.fetch(item[:state])} **#{item[:number]} #{plain(item[:title])}**: #{plain(item[:target])}#{within}, " \
                 "#{item[:minutes]} min, from #{item[:from]}"]
        lines.concat(grids(item), item[:steps].map { |step| "  - #{plain(step)}" })
        lines << "  - If it can't be found: #{plain(item[:fallback])}" unless item[:fallback].empty?
        lines << "  - #{[item[:result]&.capitalize, plain(item[:why])].reject { |text| text.to_s.empty? }.join(": ")}" if item[:result] || !item[:why].to_s.empty?
        lines << "  - Note: #{plain(item[:note])}" unless item[:note].to_s.empty?
        "#{lines.join("\n")}\n"
      end
      private_class_method :entry

      # The first pattern of strokes, bar by bar and beat by beat: X where it is struck hard, x where softly.
      def self.grids(item)
        grid = item.fetch(:targets, []).find { |target| target[:measure] == "groove.steps" }&.fetch(:value) or return []
        return [] unless grid[:per_beat]

        strokes = (grid[:velocities] || grid[:hits]).map { |hit| STROKES.find { |least, _| hit > least }&.last || "." }
        strokes.each_slice(grid[:steps]).map { |bar| "  - `#{bar.each_slice(grid[:per_beat]).map(&:join).join(" ")}`" }
      end
      private_class_method :grids

      # Text from people must not turn into markup.
      def self.plain(text) = text.to_s.gsub(/[\r\n]+/, " ").gsub(/([\\`*_\[\]<>#])/) { "\\#{Regexp.last_match(1)}" }
      private_class_method :plain
    end
  end
end
