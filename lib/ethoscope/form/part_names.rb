# frozen_string_literal: true

module Ethoscope
  module Form
    # What the parts of a song are called, with the reason for each: a name only where how often, where and how loudly a part is heard carry one, otherwise
    # "part C" (roles of sections after Paulus & Klapuri, "Labelling the structural parts of a music piece with Markov models", CMMR 2009, as plain rules).
    class PartNames
      # A chorus is louder than any other part that comes back by this much, in LU.
      LOUDER = 0.5
      # A part before or after a chorus is no longer than this, in bars; an outro that is not quiet likewise.
      SHORT = 8
      # How far down between the loudest and the quietest bar a part is quiet, and the span in LU that is looked at.
      QUIET = 0.35
      SPAN = [6, 24].freeze

      # @param ranges [Array<Range<Integer>>] bars of each section, from 0
      # @param groups [Array<Integer>] for each section the number of its part
      # @param letters [Array<String>] for each section
      # @param energy [Array<Float>] loudness of each bar in LUFS
      def initialize(ranges, groups, letters, energy)
        @ranges = ranges
        @groups = groups
        @letters = letters
        @energy = energy
      end

      # @return [Hash{Integer => Array(String, String)}] by part its name and the reason
      def to_h
        names = single(repeated(edges))
        parts.to_h { |part| [part, names.fetch(part) { ["part #{@letters[@groups.index(part)]}", reason(part)] }] }
      end

      private

      def parts = @groups.uniq

      def count(part) = @groups.count(part)

      def edges
        first, last = @groups.values_at(0, -1)
        return {} unless @groups.size > 2

        names = count(first) == 1 ? { first => ["intro", "opens the song, heard once"] } : {}
        closing = count(last) == 1 && last != first && (quiet?(last) || @ranges.last.size <= SHORT)
        closing ? names.merge(last => ["outro", "closes the song, heard once"]) : names
      end

      # Names of what comes back hang on a chorus; where none is told, nothing is.
      def repeated(names)
        loudest, *others = parts.select { |part| count(part) > 1 && !names.key?(part) }.sort_by { |part| -loudness(part) }
        return names unless others.any? && loudness(loudest) >= loudness(others.first) + LOUDER

        around = others.to_h { |part| [part, beside(part, loudest)] }.compact
        verse = (others - around.keys).max_by { |part| [count(part), -@groups.index(part)] }
        names.merge(loudest => ["chorus", "the loudest part that comes back"], **around, **(verse ? { verse => ["verse", "comes back, under the loudest part"] } : {}))
      end

      # A short part that always stands before the chorus, or always after it, where another one can be the verse.
      def beside(part, chorus)
        places = @groups.each_index.select { |i| @groups[i] == part }
        return nil if @ranges[places.first].size > SHORT || parts.count { |one| count(one) > 1 } < 3
        return ["pre-chorus", "short, always before the chorus"] if places.all? { |i| @groups[i + 1] == chorus }

        ["post-chorus", "short, always after the chorus"] if places.all? { |i| i.positive? && @groups[i - 1] == chorus }
      end

      # One breakdown and one bridge at most: two of a kind are no names.
      def single(names)
        inner = parts.select { |part| count(part) == 1 && !names.key?(part) }
        quiet, full = inner.partition { |part| quiet?(part) }
        chorus = names.find { |_, (name, _)| name == "chorus" }&.first
        names = names.merge(quiet.first => ["breakdown", "heard once, quiet, inside the song"]) if quiet.size == 1
        full.size == 1 && chorus && @groups.index(chorus) < @groups.index(full.first) ? names.merge(full.first => ["bridge", "heard once, after a chorus"]) : names
      end

      def reason(part) = count(part) > 1 ? "comes back, and nothing tells what it is called" : "heard once, and nothing tells what it is called"

      def loudness(part)
        bars = @groups.each_index.select { |i| @groups[i] == part }.flat_map { |i| @ranges[i].to_a }
        bars.sum { |bar| @energy[bar] } / bars.size
      end

      def quiet?(part)
        low, high = @energy.minmax
        loudness(part) < high - ((high - low).clamp(*SPAN) * QUIET)
      end
    end
  end
end
