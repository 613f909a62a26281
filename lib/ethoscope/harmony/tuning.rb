# frozen_string_literal: true

module Ethoscope
  module Harmony
    # How far a recording lies from A4 = 440 Hz.
    Tuning = Value.of(:cents, :confidence, :histogram)

    # Weighted histogram of the deviations of spectral peaks from equal temperament, and its peak
    # (after Zhu, Kankanhalli & Gao, "Music key detection for musical audio", MMM 2005).
    class Tuning
      RANGE = (180.0..2200.0)
      # Degrees of smoothing of the 100 one-cent classes.
      SMOOTHING = 9
      # A partial stands this far over the mean of its frame, in natural log units of magnitude.
      PROMINENCE = 1.5
      # Frames looked at together.
      FRAMES = 1024

      # @param long_time [Signal::LongTime]
      # @return [Tuning] cents (-50.0 to 49.9), confidence (0 to 1), histogram of 100 shares
      def self.measure(long_time)
        cents, weights = deviations(long_time)
        return new(cents: 0.0, confidence: 0.0, histogram: [0.0] * 100) if cents.empty?

        histogram = smooth(count(cents, weights))
        peak = refine(histogram)
        strength = histogram.max / (histogram.mean + 1e-12)
        new(cents: peak.round(1), confidence: ((strength - 1) / 2.0).clamp(0.0, 1.0).round(2),
          histogram: (histogram / histogram.sum).to_a.map { |share| share.round(4) })
      end

      # Distances of all spectral peaks from the nearest semitone in cents, with their weights.
      def self.deviations(long_time)
        parts = (0...long_time.size).step(FRAMES).map { |from| deviations_from(long_time, from...[from + FRAMES, long_time.size].min) }
        parts.transpose.map { |pieces| Numo::DFloat.concatenate(pieces) }
      end
      private_class_method :deviations

      def self.deviations_from(long_time, frames)
        first = (RANGE.begin / long_time.bin_width).floor
        last = (RANGE.end / long_time.bin_width).ceil
        log = Numo::NMath.log(long_time.magnitudes[frames, (first - 1)..(last + 1)] + 1e-9)
        found = peaks(log)
        return [Numo::DFloat[], Numo::DFloat[]] if found.empty?

        offset, height = interpolate(log, found)
        bins = Numo::DFloat.cast(found % (log.shape[1] - 2)) + first + offset
        cents = Numo::NMath.log2(bins * (long_time.bin_width / 440.0)) * 1200
        [cents - ((cents / 100).round * 100), Numo::NMath.exp(height * 0.5)]
      end
      private_class_method :deviations_from

      # Flat positions, in the matrix without its outer columns, of bins above both neighbours and the floor of their frame.
      def self.peaks(log)
        centre = log[true, 1...-1]
        floor = log.mean(axis: 1, keepdims: true) + PROMINENCE
        ((centre > log[true, 0...-2]) & (centre >= log[true, 2..]) & (centre > floor)).where
      end
      private_class_method :peaks

      # Parabolic interpolation of log magnitudes (Smith & Serra, "PARSHL", 1987): offsets in bins, and heights.
      def self.interpolate(log, found)
        below, at, above = [log[true, 0...-2], log[true, 1...-1], log[true, 2..]].map do |part|
          Numo::DFloat.cast(part.dup.flatten[found])
        end
        [(below - above) * 0.5 / (below - (at * 2) + above), at]
      end
      private_class_method :interpolate

      def self.count(cents, weights)
        index = Numo::Int32.cast((cents + 50).floor).clip(0, 99)
        index.bincount(weights, minlength: 100)
      end
      private_class_method :count

      # The classes form a circle: -50 and +50 cents are the same.
      def self.smooth(histogram)
        out = Numo::DFloat.zeros(100)
        (-SMOOTHING..SMOOTHING).each do |shift|
          weight = Math.exp(-0.5 * ((shift / 4.0)**2))
          rolled = histogram[(Numo::Int32.new(100).seq + shift) % 100]
          out += rolled * weight
        end
        out
      end
      private_class_method :smooth

      def self.refine(histogram)
        top = histogram.max_index
        before, at, after = [-1, 0, 1].map { |step| histogram[(top + step) % 100] }
        bend = before - (2 * at) + after
        offset = bend.zero? ? 0.0 : 0.5 * (before - after) / bend
        ((top + offset + 0.5) % 100) - 50
      end
      private_class_method :refine
    end
  end
end
