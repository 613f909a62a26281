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
        song = SongOf.new(checklist[:items])
        groups = checklist[:items].chunk_while { |a, b| a[:heading] == b[:heading] }
        parts = groups.map { |group| "## #{plain(group.first[:heading])}\n\n#{group.map { |item| entry(item, song) }.join}" }
        ["# #{plain(checklist[:title])}\n", *parts, "---\n\n#{CAUTION}\n"].join("\n")
      end

      # What of the song its notes are drawn by: beats of a bar, and the key for the spelling.
      class SongOf
        # @return [Integer]
        attr_reader :beats
        # @return [Harmony::Key]
        attr_reader :key

        # @param items [Array<Hash>]
        def initialize(items)
          told = items.flat_map { |item| item.fetch(:targets, []) }.to_h { |target| [target[:measure], target[:value]] }
          @beats = Rhythm::Meter.named(told.fetch("time.meter", "4/4")).beats
          @key = told["harmony.key"] ? Harmony::Key.named(*told["harmony.key"].values_at(:tonic, :mode)) : Measures::Restatement::UNKEYED
        end
      end
      private_constant :SongOf

      def self.entry(item, song)
        within = item[:tolerance].empty? ? "" : " (#{item[:tolerance]})"
        lines = ["- #{BOXES.fetch(item[:state])} **#{item[:number]} #{plain(item[:title])}**: #{plain(item[:target])}#{within}, " \
                 "#{item[:minutes]} min, from #{item[:from]}"]
        lines.concat(grids(item), rows(item, song), item[:steps].map { |step| "  - #{plain(step)}" })
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

      def self.rows(item, song)
        notes = item.fetch(:targets, []).find { |target| target[:measure] == "lines.notes" }&.fetch(:value)
        notes.nil? || notes.empty? ? [] : NoteRows.rows(notes, song.beats, song.key).map { |row| "  - `#{row}`" }
      end
      private_class_method :rows

      # Text from people must not turn into markup.
      def self.plain(text) = text.to_s.gsub(/[\r\n]+/, " ").gsub(/([\\`*_\[\]<>#])/) { "\\#{Regexp.last_match(1)}" }
      private_class_method :plain
    end
  end
end
