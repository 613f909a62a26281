# frozen_string_literal: true

module Ethoscope
  module Profile
    # What several songs have in common in every respect that is measured: for each measure, and each role and kind of section that it is told of, the
    # value that holds, how far the songs spread around it, and in how many of how many songs. The way is our own.
    class Common
      # One line: measure (its id), place (role and label of a kind of section; the whole song otherwise), value, spread (nil where there is none), n of m.
      Line = Value.of(:measure, :place, :value, :spread, :n, :m)

      # @param songs [Array<Song>]
      # @param measures [Array<Measures::Measure>]
      def initialize(songs, measures: Measures::Registry.all)
        @songs = songs
        @measures = measures
        @kinds = Hash.new { |known, label| known[label] = Measures::Place.kind(label) }
      end

      # @return [Array<Line>] in the order of the registry
      def lines = @lines ||= @measures.flat_map { |measure| grouped(measure).map { |place, values| line(measure, place, values) } }

      # @param id [String] of a measure
      # @return [Array<Line>]
      def of(id) = lines.select { |line| line.measure == id }

      private

      # Of each song the first value at each kind of place. Bars without a name are in no two songs the same. On plain rows, for of two hundred songs
      # there are tens of thousands.
      def grouped(measure)
        groups = {}
        @songs.each_with_index do |song, number|
          song.vector.rows(measure.id).each do |row|
            group = group_of(groups, row[:place]) or next
            group.store(number, row[:value]) unless group.key?(number)
          end
        end
        groups.flat_map { |role, kinds| kinds.map { |label, values| [Measures::Place.song.with(role:, label:), values.values] } }
      end

      # Values by song, under the role and under the kind of section.
      def group_of(groups, place)
        return (groups[nil] ||= {})[nil] ||= {} unless place
        return nil if place[:first_bar] && place[:label].nil?

        (groups[place[:role]] ||= {})[@kinds[place[:label]]] ||= {}
      end

      def line(measure, place, values)
        common = measure.kind.common(values)
        Line.new(measure: measure.id, place:, value: common[:value], spread: common[:spread], n: common[:songs], m: @songs.size)
      end
    end
  end
end
