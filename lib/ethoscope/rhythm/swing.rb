# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # Where the off-beat lies within its pair: 0.5 is straight, 0.667 a triplet shuffle.
    Swing = Value.of(:unit, :ratio, :confidence)

    # Folds onset strength over all beats and reads the place of the off-beat peak
    # (after Dittmar, Pfleiderer & Müller, "Automated estimation of ride cymbal swing ratios", ISMIR 2015).
    class Swing
      # How sure each reading is, by judgement; the curve of its kind puts that right.
      SURE = { "16th" => 0.7, straight: 0.6, "8th" => 0.75 }.freeze
      # Where the last sixteenth of a beat lies when it is straight.
      SIXTEENTH = (0.73..0.77)
      # A peak is as wide as what reaches this share of it.
      TOP = 0.85
      BINS = 96
      # The off-beat is looked for between these places.
      RANGE = (0.42..0.74)
      # An off-beat later than this must be told from a sixteenth.
      STEADY = 0.64
      # A rise at the very edge belongs to the next beat.
      LATEST = 0.7
      # Less than this much later than the middle is straight playing.
      STRAIGHT = 0.022
      # How far an off-beat must rise above the quiet part of the fold to be one.
      PRESENT = 1.35

      # @param evidence [PulseEvidence]
      # @param hypothesis [BarHypothesis]
      # @return [Swing] unit "8th" or "16th"
      def self.measure(evidence, hypothesis)
        return new(unit: "8th", ratio: 0.5, confidence: 0.5) if hypothesis.meter.compound

        eighth = off_beat(evidence, hypothesis, hypothesis.period)
        sixteenth = off_beat(evidence, hypothesis, hypothesis.period / 2)
        if sixteenth && (sixteenth - 0.5) > STRAIGHT && (eighth.nil? || (eighth - 0.5).abs < STRAIGHT * 2)
          return new(unit: "16th", ratio: sixteenth.round(3),
            confidence: SURE.fetch("16th"))
        end
        return new(unit: "8th", ratio: 0.5, confidence: SURE.fetch(:straight)) if eighth.nil? || (eighth - 0.5) < STRAIGHT

        new(unit: "8th", ratio: eighth.round(3), confidence: SURE.fetch("8th"))
      end

      # The place of the strongest off-beat in a fold over the span, nil when there is none.
      def self.off_beat(evidence, hypothesis, span)
        start = hypothesis.first_downbeat % span
        count = ((evidence.duration - start) / span).floor
        return nil if count < 4

        curves = evidence.at(start, span / BINS, count * BINS)
        fold = (curves[:middle] + curves[:high]).reshape(count, BINS).mean(axis: 0)
        first = (RANGE.begin * BINS).round
        window = fold[first..(RANGE.end * BINS).round]
        return nil unless window.max > PRESENT * fold.sort[BINS / 3]

        place = centre(window, first)
        place if place < LATEST && peak?(fold, place)
      end
      private_class_method :off_beat

      # Whether the fold falls again before the last quarter, where straight sixteenths would stand.
      def self.peak?(fold, place)
        return true if place <= STEADY

        fold[(SIXTEENTH.begin * BINS).round..(SIXTEENTH.end * BINS).round].max < fold[(place * BINS).round]
      end
      private_class_method :peak?

      # Middle of the plateau around the peak: the curve was widened evenly to both sides.
      def self.centre(window, first)
        above = (window > window.max * TOP).where
        (first + above.mean.to_f) / BINS
      end
      private_class_method :centre
    end
  end
end
