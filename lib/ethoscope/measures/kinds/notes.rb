# frozen_string_literal: true

module Ethoscope
  module Measures
    module Kinds
      # Notes of some bars. Two runs are as far apart as their notes fail to agree: 1 less the F-measure of notes that begin on the same quarter of a beat of the
      # same bar with the same pitch. The way is our own.
      class Notes
        # Parts of a beat on which notes are compared.
        PER_BEAT = 4

        # @return [Symbol]
        def name = :notes

        # @param one [Array<Hash>] bar and beat (from 1), beats, pitch
        # @param other [Array<Hash>]
        # @return [Float] 0 to 1
        def distance(one, other)
          mine, theirs = [one, other].map { |run| places(run) }
          total = mine.size + theirs.size
          total.zero? ? 0.0 : 1 - (2.0 * (mine & theirs).size / total)
        end

        # @param values [Array<Array<Hash>>] one a song
        # @return [Hash] value: the run that is the most common; spread: nil; songs: how many have it
        def common(values)
          group = values.group_by { |run| places(run).sort }.values.max_by(&:size)
          { value: group.first, spread: nil, songs: group.size }
        end

        # @param value [Array<Hash>]
        # @return [String]
        def words(value, _unit) = value.size == 1 ? "1 note" : "#{value.size} notes"

        # @return [String]
        def tolerance_words(tolerance, _unit) = tolerance.zero? ? "every note" : "#{((1 - tolerance) * 100).round} % of notes"

        private

        def places(run) = run.map { |note| [note[:bar], (note[:beat] * PER_BEAT).round, note[:pitch]] }.uniq
      end
    end
  end
end
