# frozen_string_literal: true

module Ethoscope
  module Attempts
    # Where an attempt in the style of several songs equals one of them: runs of bars whose chords (in any key) and strokes are those of a stretch of that song and of no
    # other. What several songs have is their style. (Local alignment without gaps, after Smith & Waterman, "Identification of common molecular subsequences", 1981.)
    class TooNear
      # Bars that must be equal one after another, and how many chords they must have: less is common property.
      BARS = 8
      CHORDS = 3
      # Of the half bars so many must have the same chord, and of the strokes so many must be the same.
      SAME_CHORDS = 0.875
      SAME_STROKES = 0.85
      PIECES = %w[kick snare].freeze
      STRUCK = 0.5
      # Chords as numbers: twice the root, and one more where it is minor; no chord is like none.
      CODES = 24
      NONE = { reference: -1, attempt: -2 }.freeze
      # The song of which it is (its place among the songs), the bars there and here, and how many semitones the attempt lies higher.
      Run = Value.of(:song, :reference, :attempt, :semitones)

      # @param attempt [Prints]
      # @param songs [Array<Prints>]
      def initialize(attempt, songs)
        @attempt = attempt
        @songs = songs
        @mine = halves(attempt, NONE[:attempt])
      end

      # @return [Array<Run>] the longest first, each bar of the attempt once
      def runs
        found = @songs.each_with_index.flat_map { |song, number| equal(song, number) }
        own = found.reject { |run| found.any? { |other| other.song != run.song && shared(other, run) * 2 >= length(run) } }
        own.sort_by { |run| -length(run) }.each_with_object([]) { |run, told| told << run if told.none? { |one| shared(one, run).positive? } }
      end

      private

      def length(run) = run.attempt[1] - run.attempt[0] + 1

      # How many bars of the attempt are in both.
      def shared(one, other) = [[one.attempt[1], other.attempt[1]].min - [one.attempt[0], other.attempt[0]].max + 1, 0].max

      def equal(song, number)
        return [] unless song.meter == @attempt.meter && [song.size, @attempt.size].min >= BARS

        theirs = halves(song, NONE[:reference])
        strokes = strokes_of(song)
        struck = alike(strokes.map { |bars| windows(bars) })
        12.times.flat_map do |shift|
          chords = equal_chords(theirs, shift)
          places = ((windows(chords) >= BARS * 2 * SAME_CHORDS) & struck).where.to_a.map { |place| place.divmod(struck.shape[1]) }
          whole = chords.eq(2) & alike(strokes)
          along(places.select { |first, _| rich?(theirs, first) }).map { |first, last| run(first, last, shift, number, whole) }
        end
      end

      # Shape [bars, 2]: the chord of each half bar as a number.
      def halves(song, none)
        Numo::Int32.cast(song.data[:bars].map do |bar|
          middle = (bar[:start] + bar[:end]) / 2
          [[bar[:start], middle], [middle, bar[:end]]].map { |from, to| code(song.chords_within(from, to), from, to) || none }
        end)
      end

      def code(chords, from, to)
        longest = chords.max_by { |chord| [chord[:end], to].min - [chord[:start], from].max } or return nil
        root, quality = longest[:label].split(":", 2)
        (2 * Harmony::PitchClass.parse(root)) + (quality.to_s.start_with?("min", "dim", "hdim") ? 1 : 0)
      end

      # Bars by bars: how many halves of both have the same chord, the song's moved up.
      def equal_chords(theirs, shift)
        moved = Numo::Int32.cast(theirs.to_a.map { |bar| bar.map { |code| code.negative? ? code : (code + (2 * shift)) % CODES } })
        2.times.sum { |half| Numo::DFloat.cast(moved[true, half].reshape(moved.shape[0], 1).eq(@mine[true, half].reshape(1, @attempt.size))) }
      end

      # Bars by bars: strokes that both have, and strokes of both.
      def strokes_of(song)
        one, other = [song, @attempt].map { |prints| Numo::DFloat.hstack(PIECES.map { |piece| Numo::DFloat.cast(prints.strokes(piece) > STRUCK) }) }
        [Numo::Linalg.dot(one, other.transpose), one.sum(axis: 1).reshape(song.size, 1) + other.sum(axis: 1).reshape(1, @attempt.size)]
      end

      # Where the strokes are the same; where neither is struck they are.
      def alike((both, all)) = (both * 2).ge(all * SAME_STROKES)

      # What lies along the diagonals, summed over so many bars from each place on.
      def windows(bars)
        rows, columns = bars.shape.map { |size| size - BARS + 1 }
        BARS.times.sum { |bar| bars[bar...(bar + rows), bar...(bar + columns)] }
      end

      def rich?(theirs, first) = theirs[first...(first + BARS), true].to_a.flatten.reject(&:negative?).uniq.size >= CHORDS

      # The first and the last window of those that follow each other along a diagonal, or overlap.
      def along(places)
        places.group_by { |there, here| here - there }.values.flat_map do |line|
          line.sort.slice_when { |one, other| other[0] > one[0] + BARS }.map { |group| [group.first, group.last] }
        end
      end

      # Begins and ends with a bar that is wholly the same.
      def run(first, last, shift, number, whole)
        bars = (0...(last[0] - first[0] + BARS)).to_a.select { |bar| whole[first[0] + bar, first[1] + bar] == 1 }.minmax
        reference, attempt = first.map { |from| bars.map { |bar| from + bar + 1 } }
        Run.new(song: number, reference:, attempt:, semitones: ((shift + 5) % 12) - 5)
      end
    end
  end
end
