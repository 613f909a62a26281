# frozen_string_literal: true

module Ethoscope
  module Export
    # Sections, marks and techniques with their times as plain text: start and end in seconds, a tab, and what it is, a line each. Many programs read such a file
    # as labels over a recording.
    module Labels
      # @param song [Handout]
      # @return [String]
      def self.write(song)
        clock = Clock.new(song)
        sections = song.vector.of("form.section").map { |told| clock.line(told.place, told.place.title) }
        others = song.vector.of("techniques.technique").map { |told| clock.line(told.place, told.value[:name]) } + song.vector.of("techniques.mark").map do |told|
          clock.line(told.place, told.value[:text])
        end
        "#{(sections + others).sort_by(&:to_f).join("\n")}\n"
      end

      # Bars as seconds.
      class Clock
        # @param song [Handout]
        def initialize(song)
          @edges = song.analysis.fetch(:bars).map { |bar| bar[:start] } + [song.analysis.fetch(:end)]
        end

        # @param place [Measures::Place]
        # @param text [String]
        # @return [String]
        def line(place, text)
          first, last = [place.first_bar - 1, place.last_bar].map { |bar| @edges[bar.clamp(0, @edges.size - 1)] }
          format("%<first>.3f\t%<last>.3f\t%<text>s", first:, last:, text: text.to_s.gsub(/[\t\r\n]+/, " "))
        end
      end
      private_constant :Clock
    end
  end
end
