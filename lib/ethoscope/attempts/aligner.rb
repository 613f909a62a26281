# frozen_string_literal: true

module Ethoscope
  module Attempts
    # Finds the {BarMap} of an attempt on a reference, or says why there is none. The way is our own; see {Resemblance} and {Path} for the sources of its parts.
    class Aligner
      # What a pair of bars must be alike, for a bar of one song to be laid on one of the other rather than be left out.
      WORTH = 0.25
      # Transpositions that are tried.
      SHIFTS = 3
      # What it adds to how alike bars are, that the keys of both say so, and that nothing is moved.
      KEYS = 0.04
      UNMOVED = 0.02
      # Over all pairs, songs that have nothing to do with each other are alike this much, and those that do this much: between them confidence grows.
      STRANGE = 0.52
      SAME = 0.75
      # Below this confidence nothing is laid.
      LEAST = 0.2
      # An attempt of at most so many bars, and of less than this share of the reference, is laid under every place where it fits.
      LOOP_BARS = 16
      LOOP_SHARE = 0.5
      # A loop is laid under a section that is so much like it, as pairs of bars of one song are.
      FITS = 0.8

      # @param reference [Prints]
      # @param attempt [Prints]
      # @param semitones [Integer, nil] where a person says it
      # @param starts [Array(Integer, Integer), nil] [bar of the attempt, bar of the reference] that a person laid on each other
      def initialize(reference, attempt, semitones: nil, starts: nil)
        @reference = reference
        @attempt = attempt
        @resemblance = Resemblance.new(reference, attempt)
        @shift = semitones
        @starts = starts
      end

      # @return [BarMap]
      def alignment
        pairs = if @starts then by_hand
                else loop? ? looped : found
                end
        BarMap.new(pairs:, reference_bpm: bpm(@reference), attempt_bpm: bpm(@attempt), semitones: shift, confidence: confidence(pairs).round(3), kind: kind(pairs),
          refused: refused(pairs))
      end

      private

      # Of the transpositions that fit best, the one under which bars that lie on each other are most alike; the keys that were read have a say, and most attempts are in
      # the key of their reference.
      def shift
        @shift ||= @resemblance.shifts.first(SHIFTS).max_by do |one|
          laid = alike(path(one), @resemblance.matrix(one))
          (laid.sum / [@reference.size, @attempt.size].min) + (one == keys_apart ? KEYS : 0) + (one.zero? ? UNMOVED : 0)
        end
      end

      # Semitones between both keys, where both are of one mode.
      def keys_apart
        one, other = [@reference, @attempt].map { |song| song.analysis.key }
        one && other && one.mode == other.mode ? ((other.pitch_class - one.pitch_class + 5) % 12) - 5 : nil
      end

      def matrix = @matrix ||= @resemblance.matrix(shift)

      def found = path(shift)

      def path(shift) = (@paths ||= {})[shift] ||= Path.new(@resemblance.matrix(shift) - WORTH, @reference.borders).pairs

      def loop? = @attempt.size <= LOOP_BARS && @attempt.size < LOOP_SHARE * @reference.size

      # Under each section that it fits, again and again from where it fits best; where it fits none, it is an attempt at a part.
      def looped
        laid = @reference.borders.zip([*@reference.borders.drop(1), @reference.size + 1]).flat_map { |first, after| under((first...after).to_a) }
        @round = laid.count(&:last) >= 2 * @attempt.size
        @round ? laid : found
      end

      def under(bars)
        offset, fit = (0...@attempt.size).map { |from| [from, mean(bars.each_index.map { |i| matrix[bars[i] - 1, (i + from) % @attempt.size] })] }.max_by(&:last)
        bars.each_with_index.map { |bar, i| [bar, fit >= FITS ? ((i + offset) % @attempt.size) + 1 : nil] }
      end

      def mean(values) = values.sum / values.size

      # From the bars that were laid on each other on, both ways, bar by bar.
      def by_hand
        lag = @starts.last - @starts.first
        ([1, 1 + lag].min..[@reference.size, @attempt.size + lag].max).map do |bar|
          [bar, bar - lag].zip([@reference.size, @attempt.size]).map { |one, size| one.between?(1, size) ? one : nil }
        end.reject(&:none?)
      end

      def alike(pairs, matrix = self.matrix) = pairs.select(&:all?).map { |one, other| matrix[one - 1, other - 1] }

      def confidence(pairs)
        return 0.0 if (alike = alike(pairs)).empty?

        (((alike.sum / alike.size) - STRANGE) / (SAME - STRANGE)).clamp(0.0, 1.0)
      end

      def kind(pairs)
        return "by hand" if @starts
        return "loop" if @round

        pairs.last.last.nil? || pairs.first.last.nil? ? "part" : "bars"
      end

      def refused(pairs)
        return nil if @starts || confidence(pairs) >= LEAST

        "These two can't be aligned: their bars are not alike in any key. If it is the same song, say which bar is which."
      end

      # Where nothing repeats, that of the bars that the engine lays over it.
      def bpm(song) = (song.data[:tempo][:bpm] || (song.meter.beats * 60.0 * song.size / (song.data[:bars].last[:end] - song.data[:bars].first[:start]))).to_f
    end
  end
end
