# frozen_string_literal: true

module Ethoscope
  # Session arithmetic: what is reckoned by head or by trial at the desk.
  module Calculators
    # A tempo from taps: BPM, how far taps stray from it, how many were used and left out, and when the first beat fell.
    Tapped = Value.of(:bpm, :spread_ms, :used, :dropped, :first)

    # Fits a steady beat to taps by least squares over tap numbers, leaving out stray taps and numbering over missed ones
    # (robust line fitting by trimming, after Rousseeuw & Leroy, "Robust Regression and Outlier Detection", 1987, ch. 1).
    module TapTempo
      LEAST = 4
      # Taps that stray more than so many times the median stray are left out, but never those within a human's tremor.
      STRAY = 3.5
      TREMOR = 0.02
      ROUNDS = 4

      # @param times [Array<Numeric>] seconds of the taps, in order
      # @return [Tapped]
      # @raise [Errors::Unfit] with fewer than four taps, or taps that go back in time or make no tempo
      def self.fit(times)
        taps = times.map(&:to_f)
        raise Errors::Unfit, "tap at least #{LEAST} times" if taps.size < LEAST
        raise Errors::Unfit, "taps must follow each other in time" unless taps.each_cons(2).all? { |a, b| b > a }

        trim(number(taps))
      end

      # A tap belongs to the nearest beat of the median distance; a tap that has no beat of its own is a stray one.
      def self.number(taps)
        step = Signal::Middle.median(taps.each_cons(2).map { |a, b| b - a })
        place = 0
        taps.each_with_index.map do |time, i|
          place += [((time - taps[i - 1]) / step).round, 0].max if i.positive?
          [place, time]
        end
      end
      private_class_method :number

      def self.trim(points)
        kept = points.uniq(&:first)
        ROUNDS.times do
          start, slope = line(kept)
          strays = kept.map { |place, time| (time - start - (slope * place)).abs }
          limit = [STRAY * Signal::Middle.median(strays), TREMOR].max
          near = kept.zip(strays).select { |_, stray| stray <= limit }.map(&:first)
          break if near.size == kept.size || near.size < LEAST

          kept = near
        end
        result(kept, points.size)
      end
      private_class_method :trim

      def self.result(kept, total)
        start, slope = line(kept)
        bpm = (60 / slope).round(2)
        raise Errors::Unfit, "a tempo lies between 20 and 400 BPM" unless Corrections::TEMPI.cover?(bpm)

        squares = kept.sum { |place, time| (time - start - (slope * place))**2 }
        Tapped.new(bpm:, spread_ms: (1000 * Math.sqrt(squares / kept.size)).round(1), used: kept.size, dropped: total - kept.size, first: start.round(4))
      end
      private_class_method :result

      # Start and slope of the least-squares line.
      def self.line(points)
        x = points.sum(&:first) / points.size.to_f
        y = points.sum(&:last) / points.size
        slope = points.sum { |place, time| (place - x) * (time - y) } / points.sum { |place, _| (place - x)**2 }
        [y - (slope * x), slope]
      end
      private_class_method :line
    end
  end
end
