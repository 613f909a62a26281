# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # Names for drum patterns, where one fits. The method is our own.
    module PatternNames
      # Steps (of sixteen) on which each piece must be struck and must rest, in the order in which names are tried.
      SIXTEEN = {
        "four-on-the-floor" => { kick: [[0, 4, 8, 12], [2, 6, 10, 14]] },
        "half-time backbeat" => { snare: [[8], [4, 12]], kick: [[0], []] },
        "train beat" => { snare: [[0, 2, 4, 6, 8, 10, 12, 14], []] },
        "two-step" => { kick: [[0, 10], [4, 8, 12]], snare: [[4, 12], [0, 8]] },
        "breakbeat" => { kick: [[0, 2, 10], [4, 12]], snare: [[4, 12], [0, 8]] },
        "one-drop" => { kick: [[8], [0, 4, 12]], snare: [[], [0, 4]] },
        "backbeat" => { snare: [[4, 12], [0, 8]] },
        "tresillo" => { kick: [[0, 6, 12], [4, 8]] },
        "son clave 3-2" => { snare: [[0, 6, 12], [4, 8]] }
      }.freeze
      # Names that say less of the same pattern.
      ASIDE = { "train beat" => %w[four-on-the-floor backbeat] }.freeze
      WALTZ = { "waltz" => { kick: [[0], [4, 8]] } }.freeze
      SIX_EIGHT = { "six-eight backbeat" => { snare: [[6], [0]] } }.freeze
      BY_METER = { "4/4" => SIXTEEN, "3/4" => WALTZ, "6/8" => SIX_EIGHT }.freeze
      # A step counts as struck, and as resting.
      STRUCK = 0.55
      RESTING = 0.35
      # A place of the beat is struck by the hats, over all beats.
      HATS_STRUCK = 0.45
      # How often hats play per beat of four steps, by which steps are struck.
      HATS = { "16ths" => [[0, 1, 2, 3], []], "8ths" => [[0, 2], [1, 3]], "off-beats" => [[2], [0, 1, 3]], "quarters" => [[0], [1, 2, 3]] }.freeze

      # @param rows [Array<StepRow>] kick, snare, hats
      # @param meter [String] such as "4/4"
      # @return [Array<String>] all names that fit in every bar of the period, the most telling first; a name that tells of more pieces, or of more of their steps,
      #   puts aside one that a part of the same pattern would have
      def self.of(rows, meter)
        by_piece = rows.to_h { |row| [row.piece.to_sym, row] }
        fitting = BY_METER.fetch(meter, {}).select { |_, pieces| pieces.all? { |piece, (struck, resting)| always?(by_piece[piece], struck, resting) } }.keys
        fitting - fitting.flat_map { |name| ASIDE.fetch(name, []) }
      end

      # Whether the usual bar fits, and no bar of the period breaks it where that is told and not only heard in a mix.
      def self.always?(row, struck, resting)
        return false unless fits?(row.probability, struck, resting)
        return true if row.source == "mix" || row.period == 1

        row.hits.each_slice(row.probability.size).all? { |bar| struck.all? { |step| bar[step].positive? } && resting.none? { |step| bar[step].positive? } }
      end
      private_class_method :always?

      # @param row [StepRow] the hats
      # @param per_beat [Integer] steps in a beat: 4, 6 in compound meters, 2 where the beat is an eighth
      # @return [String, nil] nil when the hats rest or keep to no rate
      def self.hat_rate(row, per_beat)
        beat = row.probability.each_slice(per_beat).to_a.transpose.map { |place| place.sum / place.size }
        return HATS.find { |_, (struck, resting)| fits?(beat, struck, resting, HATS_STRUCK) }&.first if per_beat == 4

        eighths, between = beat.partition.with_index { |_, place| place.even? }
        return "16ths" if between.all? { |share| share >= HATS_STRUCK }

        eighths.all? { |share| share >= HATS_STRUCK } ? "8ths" : nil
      end

      def self.fits?(probability, struck, resting, least = STRUCK)
        struck.all? { |step| probability[step] >= least } && resting.all? { |step| probability[step] <= RESTING }
      end
      private_class_method :fits?
    end
  end
end
