# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # Where the off-beat lies within its pair: 0.5 is straight, 0.667 a triplet shuffle.
    Swing = Value.of(:unit, :ratio, :confidence)

    # Reads the place of the off-beat off the moments of what is played, against that of the beat
    # (after Dittmar, Pfleiderer & Müller, "Automated estimation of ride cymbal swing ratios", ISMIR 2015).
    class Swing
      # Which pairs may swing: their length in beats; how far over a half the off-beat must lie, what share of the beats it must have, and within what part of
      # the pair half of the off-beats must lie. Eighths are asked first: where they swing, sixteenths fill them.
      PAIRS = { "8th" => { span: 1.0, late: 0.035, often: 0.25, close: 0.03 }, "16th" => { span: 0.5, late: 0.04, often: 0.08, close: 0.022 } }.freeze
      # Sixteenths of beats shorter than this, in seconds, are too short to swing.
      SLOW_ENOUGH = 0.45
      # How sure each reading is, by judgement; the curve of its kind puts that right.
      SURE = { "16th" => 0.7, straight: 0.6, "8th" => 0.75, unknown: 0.5 }.freeze
      # Where in its pair an off-beat is looked for, and how far around the beat what belongs to it.
      OFF_BEAT = (0.42..0.72)
      AROUND = 0.12
      # Fewer than this of either tell nothing.
      FEWEST = 8
      # An off-beat later than this in its pair is a sixteenth, or a grace note.
      LATEST = 0.705
      # Ratios of two registers this near are one.
      SAME = 0.02
      # Peaks lower than this many times the mean of their curve are no onsets.
      PEAK = 2.0

      # The place of the off-beats of one register or layer: ratio, share of the beats that have one, and half of them lie this close to it.
      Place = Value.of(:ratio, :share, :spread)
      private_constant :Place

      # @return [Swing] nothing swings, or nothing tells
      def self.straight(confidence = SURE[:straight]) = new(unit: "8th", ratio: 0.5, confidence:)

      # @param onset [Signal::OnsetStrength]
      # @param grid [BeatGrid]
      # @return [Swing] of the registers that carry a beat's parts, high before middle before low
      def self.measure(onset, grid)
        return straight(SURE[:unknown]) if grid.meter.compound

        registers = [onset.high, onset.middle, onset.low].map do |curve|
          Attacks.of(curve, onset.rate).over(curve.mean * PEAK).map { |time, height| [grid.position(time), Math.sqrt(height)] }
        end
        of(registers, beat: grid.quarter_seconds * grid.meter.quarters_per_beat)
      end

      # @param parts [Array<Array<Array(Float, Float)>>] of each register or layer, the most telling first, what it plays: beats since some beat, and weight
      # @param beat [Float] seconds of a beat
      # @return [Swing]
      def self.of(parts, beat:)
        PAIRS.each do |unit, pair|
          next if unit == "16th" && beat < SLOW_ENOUGH

          ratio = agreed(parts.filter_map { |moments| place(moments, pair) })
          return new(unit:, ratio: ratio.round(3), confidence: SURE.fetch(unit)) if ratio && ratio - 0.5 > pair[:late]
        end
        straight
      end

      # The place that the first part has, or the mean of all that agree with it.
      def self.agreed(places)
        first = places.first or return nil
        same = places.select { |place| (place.ratio - first.ratio).abs < SAME }
        same.sum { |place| place.ratio * place.share } / same.sum(&:share)
      end
      private_class_method :agreed

      # How late off-beats come against the beats of the same part; nil where it plays too few, or too loosely.
      def self.place(moments, pair)
        within = moments.map { |beat, weight| [(beat / pair[:span]) % 1.0, weight] }
        on = within.filter_map { |place, weight| [place > 0.5 ? place - 1 : place, weight] if place < AROUND || place > 1 - AROUND }
        off = within.select { |place, _| OFF_BEAT.cover?(place) }
        return nil if [on, off].any? { |list| list.size < FEWEST }

        found = placed(on, off)
        found if found.share >= pair[:often] && found.spread <= pair[:close] && found.ratio <= LATEST
      end

      def self.placed(on, off)
        middle = weighted_median(off)
        Place.new(ratio: middle - weighted_median(on), share: off.size.fdiv(on.size), spread: weighted_median(off.map { |place, weight| [(place - middle).abs, weight] }))
      end
      private_class_method :placed
      private_class_method :place

      def self.weighted_median(list)
        half = list.sum(&:last) / 2
        passed = 0.0
        list.sort.find { |_, weight| (passed += weight) >= half }.first
      end
      private_class_method :weighted_median
    end
  end
end
