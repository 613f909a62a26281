# frozen_string_literal: true

module Ethoscope
  module Export
    # Notes as they are written: on sixteenths, within bars, in lengths that have a sign, tied where one sign is not enough. The way is our own.
    class WrittenBars
      # Sixteenths of the signs that there are: whole, dotted half and so on.
      SIGNS = { 16 => ["whole", false], 12 => ["half", true], 8 => ["half", false], 6 => ["quarter", true], 4 => ["quarter", false], 3 => ["eighth", true], 2 => ["eighth", false],
                1 => ["16th", false] }.freeze
      PER_QUARTER = 4
      # One sign: its length in sixteenths, the pitches that sound (none: a rest), whether it is tied from the one before and to the next.
      Sign = Value.of(:length, :pitches, :tied_from, :tied_to) do
        # @return [Boolean]
        def rest? = pitches.empty?
      end

      # @param bar_length [Float] quarters in a bar
      # @param bars [Integer]
      def initialize(bar_length, bars)
        @bar = (bar_length * PER_QUARTER).round
        @bars = bars
      end

      # One voice: what begins later ends what sounds.
      #
      # @param notes [Array<Midi::Note>]
      # @param short [Boolean] whether lengths say nothing, as on drums: then a stroke lasts to the next one, a beat at the most
      # @return [Array<Array<Sign>>] by bar
      def voice(notes, short: false)
        onsets = notes.group_by { |note| (note.start * PER_QUARTER).round }.reject { |at, _| at.negative? || at >= @bar * @bars }.sort
        spans = onsets.each_with_index.map do |(at, together), i|
          following = onsets[i + 1]&.first || (@bar * @bars)
          length = short ? PER_QUARTER - (at % PER_QUARTER) : [together.map { |note| (note.length * PER_QUARTER).round }.max, 1].max
          [at, [length, following - at].min, together.map(&:pitch).uniq.sort]
        end
        by_bar(spans)
      end

      private

      def by_bar(spans)
        Array.new(@bars) do |bar|
          from = bar * @bar
          inside = spans.select { |at, length, _| at < from + @bar && at + length > from }
          signs_of(inside, from)
        end
      end

      def signs_of(spans, from)
        place = from
        signs = spans.flat_map do |at, length, pitches|
          start = [at, from].max
          stop = [at + length, from + @bar].min
          rest = rests(start - place)
          place = stop
          rest + tied(stop - start, pitches, at < from, at + length > from + @bar)
        end
        return [] if signs.empty?

        signs + rests(from + @bar - place)
      end

      def rests(length) = split(length).map { |part| Sign.new(length: part, pitches: [], tied_from: false, tied_to: false) }

      def tied(length, pitches, from_before, to_next)
        parts = split(length)
        parts.each_with_index.map { |part, i| Sign.new(length: part, pitches:, tied_from: from_before || i.positive?, tied_to: to_next || i < parts.size - 1) }
      end

      def split(length)
        parts = []
        while length.positive?
          parts << SIGNS.keys.find { |sign| sign <= length }
          length -= parts.last
        end
        parts
      end
    end
  end
end
