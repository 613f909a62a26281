# frozen_string_literal: true

module Ethoscope
  module Harmony
    # The loops of a song part by part: which letters share one. A loop that begins elsewhere in its round, or of which a chord differs, is the same loop.
    # The method is our own.
    class SectionLoops
      # A loop that tells less of its part than this is a doubt, and nothing is said of it.
      SURE = 0.5

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
        by_letter.each_with_object([]) do |(letter, sections), found|
          longest = sections.max_by(&:bars)
          known, loop = found.lazy.filter_map { |part| again(part.last, longest)&.then { |heard| [part, heard] } }.first
          loop ||= moved(finder(longest).main, longest)
          next if loop.nil? || loop.confidence < SURE

          loop = (sections - [longest]).filter_map { |section| again(loop, section) }.reduce(loop) { |whole, other| joined(whole, other) }
          known ? found[found.index(known)] = [[*known.first, letter], joined(known.last, loop)] : found << [[letter], loop]
        end
      end

      private

      def finder(section) = LoopFinder.new(@bars[(section.first_bar - 1)...section.last_bar], @key)

      # The same loop where that section has it.
      def again(loop, section) = moved(finder(section).again(@bars[loop.starts.first - 1, loop.bars]), section)

      def by_letter = @sections.group_by { |section| section.letter.delete("'") }

      def moved(loop, section) = loop && Loop.new(**loop.to_h, starts: loop.starts.map { |start| start + section.first_bar - 1 })

      def joined(loop, other) = Loop.new(**loop.to_h, starts: (loop.starts + other.starts).sort)
    end
  end
end
