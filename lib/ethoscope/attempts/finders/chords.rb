# frozen_string_literal: true

module Ethoscope
  module Attempts
    module Finders
      # Bars with another chord; those in which the same chord stands for the same one are one difference. The way is our own.
      class Chords
        # From here on it is another chord: the same one in the place of the same one, again and again, says more than each bar by itself.
        LIKELY = 0.3

        # @param laid [Laid]
        # @param odds [Odds]
        def initialize(laid, odds: Odds.shipped(:chords))
          @laid = laid
          @odds = odds
        end

        # @return [Array<Difference>]
        def differences
          return [] if evidence.pairs.empty?

          odds = @odds.of(evidence.rows)[true, 1].to_a
          apart = evidence.pairs.zip(odds).select { |_, share| share > LIKELY }
          apart.group_by { |bars, _| evidence.heard(bars).map(&:symbol) }.map { |(there, here), group| difference(there, here, group) }
        end

        private

        def evidence = @evidence ||= ChordEvidence.new(@laid)

        def difference(there, here, group)
          runs = @laid.runs(group.map { |(bar, _), _| bar })
          meant = in_key(there)
          Difference.of(kind: "chord", measure: "harmony.chords", bars: runs, reference: there, attempt: here, distance: 2,
            sure: (group.sum(&:last) / group.size).round(3),
            words: "#{@laid.where(runs).capitalize}: #{here || "no chord"} instead of #{meant || "none"}.", how: ["Play #{meant || "nothing"} in #{@laid.where(runs)}."])
        end

        # The reference's chord as the attempt should play it.
        def in_key(symbol)
          key = @laid.attempt.analysis.key
          symbol && key ? Harmony::ChordSymbol.parse(symbol).transpose(@laid.semitones, key).to_s : symbol
        end
      end
    end
  end
end
