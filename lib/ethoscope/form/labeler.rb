# frozen_string_literal: true

module Ethoscope
  module Form
    # Gives sections letters for what repeats, and first labels with the reason for each
    # (repetition after Paulus & Klapuri, "Music structure analysis using a probabilistic fitness measure", TASLP 2009).
    class Labeler
      # Chord sequences this alike are the same, whatever plays them.
      SAME_HARMONY = 0.8
      QUIET = 0.35

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
        groups = group
        letters = letters_for(groups)
        names = names_for(groups)
        @ranges.each_with_index.map do |range, i|
          label, reason = names.fetch(groups[i])
          Section.new(label:, letter: letters[i], first_bar: range.begin + 1, bars: range.size,
            start: @edges[range.begin], end: @edges[range.end], confidence: @segmenter.confidence(range).round(3), reason:)
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

      def names_for(groups)
        names = {}
        name_edges(groups, names)
        inner = groups.uniq - names.keys
        repeated, single = inner.partition { |number| groups.count(number) > 1 }
        by_energy = repeated.sort_by { |number| -mean_energy(number, groups) }
        by_energy.each_with_index do |number, i|
          names[number] = name_repeated(i, number, by_energy, groups)
        end
        single.each { |number| names[number] = name_single(number, groups, names) }
        distinct(names)
      end

      def name_edges(groups, names)
        first, last = groups.values_at(0, -1)
        names[first] = ["intro", "opens the song, heard once"] if groups.count(first) == 1 && groups.size > 2
        return unless groups.count(last) == 1 && groups.size > 2 && last != first

        names[last] = ["outro", "closes the song, heard once"] if quiet?(last, groups) || @ranges.last.size <= 8
      end

      def name_repeated(place, number, by_energy, groups)
        return ["chorus", "the loudest part that comes back"] if place.zero? && by_energy.size > 1
        return ["verse", "comes back, under the loudest part"] if place <= 1
        return ["pre-chorus", "comes back, short"] if @ranges[groups.index(number)].size <= 4

        ["post-chorus", "comes back, between the others in loudness"]
      end

      def name_single(number, groups, names)
        return ["breakdown", "heard once, quiet, inside the song"] if quiet?(number, groups)
        return ["verse", "the longest part"] if names.values.none? { |name, _| name == "verse" } && longest?(number, groups)

        ["bridge", "heard once, inside the song"]
      end

      def longest?(number, groups)
        @ranges[groups.index(number)].size == @ranges.map(&:size).max
      end

      # A label stands for one chart: a second group of the same kind gets a figure.
      def distinct(names)
        seen = Hash.new(0)
        names.transform_values do |label, reason|
          count = (seen[label] += 1)
          [count > 1 ? "#{label} #{count}" : label, reason]
        end
      end

      def mean_energy(number, groups)
        bars = groups.each_index.select { |i| groups[i] == number }.flat_map { |i| @ranges[i].to_a }
        bars.sum { |bar| @energy[bar] } / bars.size
      end

      def quiet?(number, groups)
        low, high = @energy.minmax
        mean_energy(number, groups) < high - ((high - low).clamp(6, 24) * QUIET)
      end
    end
  end
end
