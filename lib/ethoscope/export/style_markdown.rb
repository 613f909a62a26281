# frozen_string_literal: true

module Ethoscope
  module Export
    # How an attempt stands to several songs, as Markdown: where it is too near to one of them, and what they share, what lies outside first. The way is our own.
    module StyleMarkdown
      HEADS = { "outside" => "Outside the style", "edge" => "At its edge", "inside" => "Inside", "untold" => "Not told of it" }.freeze

      # @param standing [Hash] songs, lines and near (with titles), see {Attempts::InStyle#to_h}
      # @param attempt [String] name of the attempt
      # @return [String]
      def self.write(standing, attempt:)
        lines = HEADS.flat_map { |name, head| group(head, standing[:lines].select { |line| line[:standing] == name }) }
        "#{["# #{attempt} in the style of #{standing[:songs]} songs", *near(standing[:near]), *lines].join("\n")}\n"
      end

      def self.near(runs)
        return [] if runs.empty?

        ["", "## Too near to one song", "", *runs.map { |run| "- #{sentence(run)}" }]
      end
      private_class_method :near

      # @param run [Hash] title, reference, attempt and semitones, see {Attempts::TooNear::Run}
      # @return [String]
      def self.sentence(run)
        here, there = run.values_at(:attempt, :reference).map { |first, last| "#{first} to #{last}" }
        "Bars #{here} have the chords and strokes of bars #{there} of “#{run[:title]}”#{moved(run[:semitones])}; none of the others has them."
      end

      def self.moved(semitones)
        return "" if semitones.zero?

        ", #{semitones.abs} #{semitones.abs == 1 ? "semitone" : "semitones"} #{semitones.positive? ? "up" : "down"}"
      end
      private_class_method :moved

      def self.group(head, lines) = lines.empty? ? [] : ["", "## #{head}", "", *lines.map { |line| "- #{told(line)}" }]
      private_class_method :group

      def self.told(line)
        n, m = line[:holds]
        apart = line[:apart].to_f.positive? ? ", #{Measures::Kinds.plain(line[:apart])} #{line[:unit]} off".squeeze(" ") : ""
        "#{line[:words]} (#{n} of #{m})#{": #{line[:attempt]}" if line[:attempt] && line[:standing] != "inside"}#{apart}"
      end
      private_class_method :told
    end
  end
end
