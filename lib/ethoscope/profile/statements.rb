# frozen_string_literal: true

module Ethoscope
  module Profile
    # The profile in sentences, each with how many songs it holds for. The way is our own.
    class Statements
      # Tempos that differ by less are the same.
      SAME_BPM = 0.01

      # One sentence: it holds for n of m songs.
      Statement = Value.of(:aspect, :text, :n, :m)

      # @param parts [Hash] tempo, keys, degrees and techniques, as {Builder} tells them
      # @param songs [Array<Song>]
      def initialize(parts, songs)
        @parts = parts
        @songs = songs
      end

      # @return [Array<Statement>] those that hold for more than half of the songs, in the order of work
      def all
        [tempo, mode, degree, form, technique].compact
      end

      private

      def statement(aspect, text, count, of = @songs.size) = Statement.new(aspect:, text:, n: count, m: of)

      def tempo
        zone = @parts[:tempo]
        together = zone[:points].compact.reject { |point| point[:apart] }
        return nil if together.size < 2

        folded = together.count { |point| (point[:folded] - point[:counted]).abs > SAME_BPM }
        text = format("Near %<middle>.1f BPM, from %<low>.1f to %<high>.1f", middle: zone[:middle], low: zone[:range][0],
          high: zone[:range][1])
        text += folded.positive? ? ", #{Readings::Words.number(folded)} counted an octave away." : "."
        statement("Tempo", text, together.size)
      end

      def mode
        keys = @parts[:keys]
        return nil if keys[:of] < 2

        minor = keys[:minor] * 2 >= keys[:of]
        count = minor ? keys[:minor] : keys[:of] - keys[:minor]
        mode, times = keys[:modes].max_by(&:last)
        text = "#{minor ? "Minor" : "Major"} is home"
        text += ", #{mode} more often than not" if times * 2 > keys[:of] && !%w[major minor].include?(mode)
        statement("Key", "#{text}.", count, keys[:of])
      end

      def degree
        row = @parts[:degrees].drop(1).max_by { |candidate| [candidate[:songs].count(true), candidate[:share]] }
        row && statement("Harmony", "Beside the tonic, #{row[:degree]} is the chord that keeps coming back.",
          row[:songs].count(true))
      end

      def form
        lengths = @songs.filter_map { |song| song.vector.value("form.usual_length") }
        length, count = lengths.tally.max_by(&:last)
        count && statement("Form", "Most sections last #{Readings::Words.number(length)} bars.", count)
      end

      def technique
        row = @parts[:techniques].first
        row && statement("Technique", "#{row[:name]}.", row[:songs].count(true))
      end
    end
  end
end
