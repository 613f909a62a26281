# frozen_string_literal: true

module Ethoscope
  module Export
    # A comparison as Markdown: how the attempt lies on its reference, what differs, the largest first, with what to do about it, and the bars that differ most.
    module ComparisonMarkdown
      # @param comparison [Hash] alignment, differences and worst, see {Attempts::SideBySide#to_h}
      # @param reference [String] title of the reference
      # @param attempt [String] name of the attempt
      # @return [String]
      def self.write(comparison, reference:, attempt:)
        alignment = comparison[:alignment]
        head = ["# #{attempt} against #{reference}", "", lies(alignment)]
        return "#{head.join("\n")}\n" if alignment[:refused]

        body = comparison[:differences].empty? ? ["Nothing differs beyond what measurement repeats to."] : comparison[:differences].flat_map { |difference| told(difference) }
        "#{[*head, "", "## What differs", "", *body, *worst(comparison[:worst])].join("\n")}\n"
      end

      # @param alignment [Hash]
      # @return [String] in a sentence or two
      def self.lies(alignment)
        return alignment[:refused] if alignment[:refused]

        tempo = alignment[:tempo]
        laid = alignment[:bars].count { |_, other| other }
        tempi = format("%<reference>.2f and %<attempt>.2f BPM", tempo)
        up = alignment[:semitones]
        moved = if up.zero?
                  "in the same key"
                else
                  "#{up.abs} #{up.abs == 1 ? "semitone" : "semitones"} #{up.positive? ? "higher" : "lower"}"
                end
        "#{laid} of #{alignment[:bars].size} bars are aligned, at #{tempi}, #{moved}; #{(alignment[:confidence] * 100).round} % sure."
      end

      def self.told(difference, indent = "")
        size = "#{Measures::Kinds.plain(difference[:size])}×"
        ["#{indent}- **#{"Perhaps: " if difference[:doubtful]}#{difference[:words]}** (#{difference[:closeness]}, #{size}; #{values(difference)})",
         *difference[:how].map { |step| "#{indent}  - #{step}" },
         *difference[:under].flat_map { |under| told(under, "#{indent}  ") }]
      end
      private_class_method :told

      def self.values(difference) = "reference #{difference[:reference] || "none"}, yours #{difference[:attempt] || "none"}"
      private_class_method :values

      def self.worst(bars)
        return [] if bars.empty?

        ["", "## Bars that differ most", "", *bars.map { |bar| "- bar #{bar[:bar]} (#{Measures::Kinds.plain(bar[:apart])}×): #{bar[:why].join(" ")}" }]
      end
      private_class_method :worst
    end
  end
end
