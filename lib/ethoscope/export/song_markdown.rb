# frozen_string_literal: true

module Ethoscope
  module Export
    # A song's sheet as Markdown: what holds for the whole, the sections with their chords and who plays in them, techniques and marks.
    class SongMarkdown
      WHOLE = { "Tempo" => "time.tempo", "Meter" => "time.meter", "Swing" => "groove.swing", "Key" => "harmony.key", "Tuning" => "harmony.tuning", "Length" => "time.length",
                "Loudness" => "mix.loudness", "Loudness range" => "mix.range", "Width" => "mix.width" }.freeze
      HEAD = ["Section", "Bars", "Chords", "Who plays"].freeze

      # @param song [Handout]
      # @return [String]
      def self.write(song) = new(song).to_s

      # @param song [Handout]
      def initialize(song)
        @title = song.title
        @vector = song.vector
      end

      # @return [String]
      def to_s = ["# #{plain(@title)}\n", *whole, "", "## Sections\n", *sections, "", *happenings, "---\n", ChecklistMarkdown::CAUTION, ""].join("\n")

      private

      def whole
        WHOLE.filter_map do |name, id|
          told = @vector.of(id).first or next
          "- **#{name}**: #{plain(Measures::Registry.fetch(id).words(told.value))} (#{told.source}, #{(told.confidence * 100).round} % sure)"
        end
      end

      def sections
        rows = @vector.of("form.section").map { |told| [plain(told.place.title), bars(told.place), chords(told.place), playing(told.place)] }
        [HEAD, HEAD.map { "---" }, *rows].map { |row| "| #{row.join(" | ")} |" }
      end

      def bars(place) = "#{place.first_bar}–#{place.last_bar}"

      def chords(place) = plain((@vector.at("harmony.chords", place)&.value || []).map { |chord| chord[:symbol] }.join(" "))

      def playing(place)
        plain(@vector.of("layers.plays").select { |told| told.place.first_bar == place.first_bar && told.value != "absent" }.map { |told| told.place.name }.join(", "))
      end

      def happenings
        told = @vector.of("techniques.technique").map { |one| [one.place, one.value[:name]] } + @vector.of("techniques.mark").map do |one|
          [one.place, "#{one.value[:type]}: #{one.value[:text]}"]
        end
        return [] if told.empty?

        ["## Techniques and marks\n", *told.sort_by do |place, _|
          place.first_bar || 0
        end.map { |place, name| "- #{place.bars == 1 ? "bar #{place.first_bar}" : "bars #{bars(place)}"}: #{plain(name)}" }, ""]
      end

      # Text from people must not turn into markup.
      def plain(text) = text.to_s.gsub(/[\r\n]+/, " ").gsub(/([\\`*_\[\]<>#|])/) { "\\#{Regexp.last_match(1)}" }
    end
  end
end
