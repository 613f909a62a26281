# frozen_string_literal: true

module Ethoscope
  module Attempts
    # How close an attempt in the style of several songs came to each item of a checklist: what was measured of it against the targets, which are as wide as the songs
    # spread. No song is laid on another here, so what only bars can tell stays with the ear. The way is our own.
    class StyleJudge
      TECHNIQUE = "techniques.technique"

      # @param vector [Measures::Vector] of the attempt
      # @param bpm [Float, nil] wanted
      # @param key [Harmony::Key, nil] wanted
      def initialize(vector, bpm: nil, key: nil)
        @reach = Reach.new(vector, Measures::Restatement.of(vector, bpm:, key:))
      end

      # @param targets [Array<Measures::Target>] of one item
      # @return [Reach::Verdict]
      def of(targets)
        judged = targets.reject { |target| Reach::BY_EAR.include?(target.measure) }.filter_map { |target| @reach.of(target) || absent(target) }
        Reach::Verdict.new(closeness: Reach.worst(judged), targets: judged, words: [])
      end

      private

      # A song in which no technique is seen has none; what else is not told may be there.
      def absent(target)
        return nil unless target.measure == TECHNIQUE

        Reach::Target.new(measure: TECHNIQUE, place: target.place.to_h, here: target.words, there: "none seen", distance: 1.0, tolerance: target.tolerance, unit: target.kind.unit,
          closeness: "missing")
      end
    end
  end
end
