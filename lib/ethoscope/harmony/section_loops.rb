# frozen_string_literal: true

module Ethoscope
  module Harmony
    # The loops of a song part by part: which letters share one. The method is our own.
    class SectionLoops
      # @param bars [Array<Array<Chord>>] the chords of each half of each bar
      # @param sections [Array<Form::Section>]
      # @param key [Key]
      def initialize(bars, sections, key)
        @bars = bars
        @sections = sections
        @key = key
      end

      # @return [Array<Array(Array<String>, Loop)>] letters of the sections (without primes) and their loop, in order of appearance;
      #   starts are bars of the song
      def loops
        found = by_letter.filter_map do |letter, sections|
          section = sections.max_by(&:bars)
          loop = LoopFinder.new(@bars[(section.first_bar - 1)...section.last_bar], @key).main
          loop && [letter, moved(loop, section)]
        end
        found.group_by { |_, loop| loop.degrees }.map { |_, pairs| [pairs.map(&:first), joined(pairs.map(&:last))] }
      end

      private

      def by_letter = @sections.group_by { |section| section.letter.delete("'") }

      def moved(loop, section) = Loop.new(**loop.to_h, starts: loop.starts.map { |start| start + section.first_bar - 1 })

      def joined(loops) = Loop.new(**loops.first.to_h, starts: loops.flat_map(&:starts).sort)
    end
  end
end
