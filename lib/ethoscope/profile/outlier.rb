# frozen_string_literal: true

module Ethoscope
  module Profile
    # The one song that stands apart from all others in the most respects. The way is our own.
    class Outlier
      # Of fewer songs none is the odd one.
      FEWEST = 4
      # In so many respects it stands apart.
      RESPECTS = 2

      # @param songs [Array<Song>]
      # @param points [Array<Rhythm::TempoZone::Point, nil>] their tempos, folded
      def initialize(songs, points)
        @songs = songs
        @facts = { "meter" => songs.map(&:meter), "mode" => songs.map { |song| song.key && (song.key.minor? ? "minor" : "major") } }
        @tallies = @facts.transform_values { |facts| facts.compact.tally }
        @apart = points.map { |point| point&.apart }
      end

      # @return [Hash, nil] song (its index), title, respects
      def to_h
        return nil if @songs.size < FEWEST

        index = @songs.each_index.max_by { |i| respects(i).size }
        found = respects(index)
        found.size >= RESPECTS ? { song: index, title: @songs[index].title, respects: found } : nil
      end

      private

      def respects(index) = [("tempo" if @apart[index]), *@facts.keys.select { |name| alone?(name, index) }].compact

      # All others agree, and it does not.
      def alone?(name, index)
        own = @facts[name][index] or return false
        others = @tallies[name].reject { |fact, count| fact == own && count == 1 }
        others.size == 1 && !others.key?(own)
      end
    end
  end
end
