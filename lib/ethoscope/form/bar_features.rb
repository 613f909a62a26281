# frozen_string_literal: true

module Ethoscope
  module Form
    # What each bar sounds like: timbre, struck sounds and harmony, each as one row a bar. The method is our own.
    class BarFeatures
      # Bands are pooled in this many groups of equal width.
      TIMBRE_GROUPS = 14

      # @return [Numo::DFloat] shape [bars, features], level by register in dB over 10, loudness and onset rates
      attr_reader :timbre
      # @return [Numo::DFloat] shape [bars, beats * 12], centred chroma beat by beat, unit rows
      attr_reader :harmony

      # @param short_time [Signal::ShortTime]
      # @param onset [Signal::OnsetStrength]
      # @param chroma [Numo::DFloat] shape [half beats, 12]
      # @param grid [Rhythm::BeatGrid]
      def initialize(short_time, onset, chroma, grid)
        @edges = grid.bar_edges
        @timbre = Numo::DFloat.hstack([registers(short_time), onsets(onset)])
        @harmony = beat_chroma(chroma, grid)
        freeze
      end

      # @return [Integer] number of bars
      def size = timbre.shape[0]

      private

      def registers(short_time)
        log = Numo::NMath.log10((short_time.bands**2) + 1e-10)
        groups = Numo::Linalg.dot(log, short_time.averaging(short_time.registers(TIMBRE_GROUPS)))
        Numo::DFloat.vstack(per_bar(short_time.rate, short_time.size) { |frames| groups[frames, true].mean(axis: 0) })
      end

      def onsets(onset)
        curves = [onset.low, onset.middle, onset.high]
        scales = curves.map { |curve| [curve.mean, 1e-6].max }
        rows = per_bar(onset.rate, onset.total.size) do |frames|
          curves.zip(scales).map { |curve, scale| Math.log(1 + (curve[frames].mean / scale)) }
        end
        Numo::DFloat.cast(rows)
      end

      def per_bar(rate, size)
        @edges.each_cons(2).map { |from, to| yield Signal::Series.frames(from, to, rate, size) }
      end

      def beat_chroma(chroma, grid)
        beats = grid.meter.beats
        rows = (0...grid.bars).map do |bar|
          first = 2 * (grid.pickup + (bar * beats))
          block = chroma[first...(first + (2 * beats)), true].reshape(beats, 2, 12).mean(axis: 1)
          (block - block.mean(axis: 1, keepdims: true)).flatten
        end
        matrix = Numo::DFloat.vstack(rows)
        matrix / Numo::NMath.sqrt((matrix**2).sum(axis: 1, keepdims: true)).clip(1e-9, nil)
      end
    end
  end
end
