# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # How far what is struck lies from the grid, bar by bar, and what that says of the grid's tempo. The method is our own.
    class Residuals
      # Onsets count when they reach this many times the mean of their curve, and lie this near to a beat or its half, in seconds and as a share of the beat.
      PEAK = 3.0
      NEAR_SECONDS = 0.06
      NEAR_SHARE = 0.2
      # A drift over the song is one from so many ms on, and when it is so many times what bars stray from it.
      DRIFT = 8.0
      CLEAR = 1.5
      FEWEST_BARS = 4

      # @param onset [Signal::OnsetStrength]
      # @param grid [BeatGrid]
      def initialize(onset, grid)
        @grid = grid
        @offsets = offsets(Attacks.of(onset.total, onset.rate).over(onset.total.mean * PEAK))
      end

      # @return [Array<Float, nil>] ms by which onsets on the beats come after the grid, by bar, against all bars; nil where nothing is struck
      def by_bar
        @by_bar ||= begin
          middle = @offsets.compact.sort.then { |sorted| sorted.empty? ? 0.0 : sorted[sorted.size / 2] }
          @offsets.map { |value| value && (value - middle).round(1) }
        end
      end

      # @return [Float, nil] ms by which onsets come later and later from the first bar to the last; nil where nothing tells
      def drift = line && (line.slope * @grid.bars).round(1)

      # @param bpm [Float] of the grid
      # @return [Float, nil] the tempo that would take the drift away, to a hundredth; nil where there is none to speak of, or it would be the same
      def better(bpm)
        return nil unless line && drift.abs >= DRIFT && drift.abs > CLEAR * line.left

        seconds = @grid.bar_edges.last - @grid.bar_edges.first
        found = (bpm * seconds / (seconds + (drift / 1000))).round(2)
        (found - bpm).abs < 0.005 ? nil : found
      end

      private

      # Mean of each bar's onsets, in ms.
      def offsets(peaks)
        late = peaks.filter_map { |time, _| place(time) }.group_by(&:first)
        (0...@grid.bars).map { |bar| late[bar]&.then { |list| list.sum(&:last) / list.size } }
      end

      def place(time)
        beat = @grid.position(time)
        near = beat.round
        bar = near.div(@grid.meter.beats)
        return nil unless bar.between?(0, @grid.bars - 1)

        away = time - @grid.seconds(near)
        length = @grid.seconds(near + 1) - @grid.seconds(near)
        away.abs < [NEAR_SECONDS, NEAR_SHARE * length].min ? [bar, away * 1000] : nil
      end

      # ms over bars; nil where too few of them tell.
      def line
        @line ||= begin
          known = by_bar.each_with_index.filter_map { |value, bar| value && [bar, value] }
          known.size < FEWEST_BARS ? nil : Signal::StraightLine.through(known)
        end
      end
    end
  end
end
