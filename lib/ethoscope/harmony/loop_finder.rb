# frozen_string_literal: true

module Ethoscope
  module Harmony
    # Finds the shortest run of bars with which most of the song can be told, forgiving a chord here and there
    # (after the compression view of Bimbot et al., "System & Contrast", Music Perception 2016).
    class LoopFinder
      LENGTHS = [1, 2, 3, 4, 8, 12].freeze
      # A return has at least this share of its half bars in common with the first pass.
      ALIKE = 0.75
      # A loop of twice the length must tell this much more of the song.
      LENGTH_PRICE = 0.12
      # A loop that starts on the tonic is preferred by this much over one of its rotations.
      FROM_HOME = 0.06
      # One chord that stays is a loop only where it is nearly all there is: a drone.
      DRONE = 0.9
      # So much of a loop has chords.
      TOLD = 0.75
      # What tells less of a song than this goes round nowhere.
      LEAST = 0.25
      # A loop that is known from elsewhere is heard again where it tells so much.
      AGAIN = 0.6

      # One candidate: where it returns, and the share of the song that it tells.
      Option = Value.of(:length, :starts, :cover)

      # @param bars [Array<Array<Chord>>] the chords that sound in each bar, one for each half of the bar
      # @param key [Key]
      def initialize(bars, key)
        @bars = bars
        @key = key
        @names = bars.map { |chords| chords.map { |chord| name(chord.root, chord.minor?) } }
      end

      # @return [Loop, nil] nil when nothing returns at once at least once, or hardly anywhere
      def main
        options = LENGTHS.flat_map { |length| options(length) }.select { |option| option.cover >= LEAST }
        options.sort_by { |option| [-worth(option), option.starts.first] }.lazy.map { |option| build(option) }.find { |loop| loop?(loop) }
      end

      # @param bars [Array<Array<Chord>>] a loop that is known from another part, one or more bars
      # @return [Loop, nil] the same where it, or a turn of it, is most of what is heard here
      def again(bars)
        turns = bars.each_index.map { |bar| bars.rotate(bar).flatten(1) }
        chords, option = turns.to_h { |turn| [turn, heard_again(turn, bars.size)] }.max_by { |_, turn| turn.cover }
        option.cover >= AGAIN ? build(option, chords) : nil
      end

      private

      def heard_again(chords, length)
        starts, alike = returns(chords.map { |chord| name(chord.root, chord.minor?) }, 0, length)
        Option.new(length:, starts:, cover: alike.sum * length / @bars.size.to_f)
      end

      # One number for all chords on a root that are minor, or are not: seventh and triad count as one in a loop. Nil for none.
      def name(root, minor) = root && ((root * 2) + (minor ? 1 : 0))

      def options(length)
        starts = (0..(@bars.size - length)).uniq { |first| @names[first, length] }
        starts.filter_map { |first| option(first, length) }
      end

      # A loop follows on itself at least once; one that merely comes back is a section.
      def option(first, length)
        pattern = @names[first, length].flatten(1)
        return nil if pattern.compact.size < TOLD * pattern.size || (pattern.uniq.one? && !drone?(pattern.first))

        starts, alike = returns(pattern, first, length)
        return nil unless starts.each_cons(2).any? { |a, b| b - a == length }

        Option.new(length:, starts:, cover: alike.sum * length / @bars.size.to_f)
      end

      # Bars at which the pattern is heard, one after another, and how alike each return is.
      def returns(pattern, first, length)
        starts = []
        alike = []
        bar = first
        while bar + length <= @bars.size
          share = likeness(pattern, @names[bar, length].flatten(1))
          if share >= ALIKE
            starts << bar
            alike << share
          end
          bar += share >= ALIKE ? length : 1
        end
        [starts, alike]
      end

      def likeness(pattern, other) = pattern.zip(other).count { |a, b| a == b } / pattern.size.to_f

      def worth(option)
        home = @names[option.starts.first].first == name(@key.pitch_class, @key.minor?)
        option.cover - (LENGTH_PRICE * Math.log2(option.length)) + (home ? FROM_HOME : 0)
      end

      def loop?(loop) = loop.degrees.uniq.size > 1 || (loop.chords.any? && loop.chords.first.then { |chord| drone?(name(chord.root, chord.minor?)) })

      def drone?(name) = @names.flatten(1).then { |all| all.count(name) >= DRONE * all.size }

      def build(option, passes = voted(option))
        chords = passes.chunk_while { |a, b| a == b }.map(&:first).reject(&:none?)
        Loop.new(bars: option.length, chords:, degrees: chords.map { |chord| Degree.of(chord, @key).numeral },
          starts: option.starts.map { |start| start + 1 }, confidence: option.cover.clamp(0.0, 0.99).round(2))
      end

      # For each half bar the chord that most returns have there.
      def voted(option)
        passes = option.starts.map { |start| @bars[start, option.length].flatten(1) }
        passes.transpose.map { |chords| chords.tally.max_by(&:last).first }
      end
    end
  end
end
