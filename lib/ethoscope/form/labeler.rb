# frozen_string_literal: true

module Ethoscope
  module Form
    # Gives sections letters for what repeats, and first labels with the reason for each
    # (repetition after Paulus & Klapuri, "Music structure analysis using a probabilistic fitness measure", TASLP 2009).
    class Labeler
      # Chord sequences this alike are the same, whatever plays them.
      SAME_HARMONY = 0.8
      # A musician writes down no more kinds of parts than this; beyond them the two that are most alike are one.
      KINDS = 8
      # Neighbours of one letter are one part where it is not surer than this that another begins, and where they are no longer than this together.
      ONE_PART = 0.7
      LONGEST = 16

      # @param features [BarFeatures]
      # @param segmenter [Segmenter]
      # @param energy [Array<Float>] loudness of each bar in LUFS
      # @param grid [Rhythm::BeatGrid]
      # @param duration [Float] seconds: the first section starts with the recording, the last one ends with it
      def initialize(features, segmenter, energy, grid, duration)
        @likeness = Likeness.new(features, energy, segmenter.sections)
        @segmenter = segmenter
        @ranges = segmenter.sections
        @energy = energy
        @edges = [0.0, *grid.bar_edges[1...-1], [duration, grid.bar_edges.last].max]
      end

      # @return [Array<Section>]
      def sections
        groups = together(group)
        parts = joined(@ranges.zip(groups, letters_for(groups)))
        ranges, groups, letters = parts.transpose
        names = PartNames.new(ranges, groups, letters, @energy).to_h
        parts.map do |range, number, letter|
          label, reason = names.fetch(number)
          Section.new(label:, letter:, first_bar: range.begin + 1, bars: range.size, start: @edges[range.begin], end: @edges[range.end],
            confidence: @segmenter.confidence(range).round(3), reason:)
        end
      end

      private

      # Group number of each section; a section joins the earlier group that it is most like, if it is rather like it than not.
      def group
        @ranges.each_index.with_object([]) do |i, groups|
          odds = groups.each_index.group_by { |j| groups[j] }.transform_values { |members| members.sum { |j| @likeness.log_odds(i, j) } / members.size }
          best, log_odds = odds.max_by(&:last)
          groups << (best && log_odds.positive? ? best : (groups.max || -1) + 1)
        end
      end

      # Range, group and letter of each part, neighbours that are one part as one.
      def joined(parts)
        parts.each_with_object([]) do |(range, number, letter), found|
          before = found.last
          one = before && before.last == letter && range.end - before.first.begin <= LONGEST && @segmenter.confidence(range) < ONE_PART
          one ? before[0] = (before.first.begin...range.end) : found << [range, number, letter]
        end
      end

      def together(groups)
        return groups if groups.uniq.size <= KINDS

        one, other = groups.uniq.combination(2).max_by { |pair| kinship(*pair.map { |part| groups.each_index.select { |i| groups[i] == part } }) }
        together(groups.map { |part| part == other ? one : part })
      end

      # Mean log odds that sections of one part and of another are of one kind.
      def kinship(some, others)
        odds = some.product(others).map { |pair| @likeness.log_odds(*pair.minmax.reverse) }
        odds.sum / odds.size
      end

      # The same chords in another dress keep the letter and get a prime.
      def letters_for(groups)
        letters = {}
        primes = Hash.new(0)
        groups.each_with_index.map do |number, i|
          letters[number] ||= begin
            kin = (0...i).find { |j| @likeness.harmony(i, j) > SAME_HARMONY }
            base = kin ? letters[groups[kin]].delete("'") : ("A".ord + letters.values.map { |l| l.delete("'") }.uniq.size).chr
            kin ? base + ("'" * (primes[base] += 1)) : base
          end
        end
      end
    end
  end
end
