# frozen_string_literal: true

module Ethoscope
  module Export
    # A checklist as Markdown with task boxes.
    module ChecklistMarkdown
      CAUTION = "Remaking or sampling a recording touches other people's rights; the law differs by place. " \
                "Before a release, ask a licensed professional."
      BOXES = { "done" => "[x]", "skipped" => "[-]", "open" => "[ ]" }.freeze

      # @param checklist [Hash] title, and items: number, stage, title, target, tolerance, minutes, steps, fallback, from, state, note
      # @return [String]
      def self.write(checklist)
        stages = checklist[:items].chunk_while { |a, b| a[:stage] == b[:stage] }
        parts = stages.map { |group| "## #{group.first[:stage]}\n\n#{group.map { |item| entry(item) }.join}" }
        ["# #{plain(checklist[:title])}\n", *parts, "---\n\n#{CAUTION}\n"].join("\n")
      end

      def self.entry(item)
        within = item[:tolerance].empty? ? "" : " (#{item[:tolerance]})"
        lines = ["- #{BOXES.fetch(item[:state])} **#{item[:number]} #{plain(item[:title])}**: #{plain(item[:target])}#{within}, " \
                 "#{item[:minutes]} min, from #{item[:from]}"]
        lines.concat(item[:steps].map { |step| "  - #{plain(step)}" })
        lines << "  - If it can't be found: #{plain(item[:fallback])}" unless item[:fallback].empty?
        lines << "  - Note: #{plain(item[:note])}" unless item[:note].to_s.empty?
        "#{lines.join("\n")}\n"
      end
      private_class_method :entry

      # Text from people must not turn into markup.
      def self.plain(text) = text.to_s.gsub(/[\r\n]+/, " ").gsub(/([\\`*_\[\]<>#])/) { "\\#{Regexp.last_match(1)}" }
      private_class_method :plain
    end
  end
end
