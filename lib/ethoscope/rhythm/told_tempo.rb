# frozen_string_literal: true

module Ethoscope
  module Rhythm
    # Beats at exactly the tempo that a person says, in the meter and from the bar line that were heard (or that a person said): where the tempo is the one
    # heard, or a simple multiple, by least squares over the beats heard; else where the onsets fall together best. The method is our own.
    class ToldTempo
      # How a told tempo may stand to the one heard, and how near to that, for the beats heard to lay it.
      RELATED = [1.0, 0.5, 2.0, 1.0 / 3, 3.0].freeze
      NEAR = 0.04
      # Beats heard lay a tempo that wanders from them by less than this share of a beat; else the first bar line heard does.
      WANDER = 0.25

      # @param bpm [Float] as told
      # @param line [Float, nil] seconds of a bar line, as told
      # @param heard [Result, nil] what was heard, nil when nothing repeats
      def initialize(bpm, line: nil, heard: nil)
        @period = 60.0 / bpm
        @bpm = bpm
        @line = line
        @heard = heard
      end

      # @return [Float] seconds of a beat
      attr_reader :period

      # @yieldreturn [Float] seconds of a bar line, asked for where neither a person nor the beats heard say one
      # @return [Float] seconds of a bar line
      def line = @line || laid || yield

      private

      # The first bar line heard, moved so that all beats heard are early as much as late; nil when they do not lay this tempo.
      def laid
        ratio = @heard && RELATED.find { |times| ((@bpm / @heard.bpm / times) - 1).abs < NEAR } or return nil
        grid = @heard.grid
        late = grid.edges.each_with_index.map { |edge, i| edge - ((i - grid.pickup) * ratio * @period) }
        late.max - late.min < WANDER * @period ? late.sum / late.size : grid.edges[grid.pickup]
      end
    end
  end
end
