# frozen_string_literal: true

module Ethoscope
  module Layers
    # When a part plays, from the beats in which it sounds: its activity bar by bar, and its spans. The method is our own.
    class Presence
      # A pause shorter than this share of a bar is part of the playing.
      PAUSE = 0.95

      # @param sounding [Array<Float>] for each whole bar's beats how much of the beat sounds, 0 to 1
      # @param grid [Rhythm::BeatGrid]
      def initialize(sounding, grid)
        @sounding = sounding
        @grid = grid
        freeze
      end

      # @return [Array<Float>] by bar, against the part's own full bars
      def activity
        shares = @sounding.each_slice(@grid.meter.beats).map { |beats| beats.sum / beats.size }
        playing = shares.select(&:positive?).sort
        full = playing.empty? ? 1.0 : playing[(playing.size * 3) / 4]
        shares.map { |share| (share / full).clamp(0.0, 1.0).round(3) }
      end

      # @return [Array<Array(Float, Float)>] seconds from and to, pauses shorter than a bar included
      def spans
        edges = @grid.edges[@grid.pickup..]
        beats = @sounding.each_index.select { |beat| @sounding[beat].positive? }
        runs = beats.slice_when { |a, b| edges[b] - edges[a + 1] > PAUSE * (edges[a + 1] - edges[a]) * @grid.meter.beats }
        runs.map { |run| [edges[run.first].round(3), edges[run.last + 1].round(3)] }
      end
    end
  end
end
