# frozen_string_literal: true

module Ethoscope
  module Midi
    # Lays a score over a recording: by the clock, when the recording keeps the file's tempo map, or else by beats, the file's first
    # beat falling on some beat of the recording. {Ensemble::PlacementSearch} finds the place. The method is our own.
    class Placement
      # A file of this song agrees at least this much, of 2; others stay below 0.6.
      LEAST_AGREEMENT = 0.7

      # @return [Symbol] :clock or :beats
      attr_reader :kind
      # @return [Float] seconds at which the file's start lies in the recording
      attr_reader :offset
      # @return [Float] the recording's seconds to the file's, or quarters to a beat
      attr_reader :scale
      # @return [Float] how far notes and sound agree, 0 to 2: one for strokes and one for pitches
      attr_reader :agreement

      # @param attributes [Hash] score, kind, offset, scale (recording's seconds to the file's, or quarters to a beat), edges (of beats from
      #   the file's start on, nil by the clock), agreement, and
      #   whether a person said where it lies
      def initialize(score:, kind:, offset:, scale:, edges:, agreement:, told: false)
        @score = score
        @kind = kind
        @offset = offset.round(4)
        @scale = scale
        @edges = edges
        @agreement = agreement.round(3)
        @told = told
        freeze
      end

      # @return [Boolean] whether a person said where it lies
      def told? = @told

      # @return [Boolean] false when the file is likely to be of another song
      def believable? = told? || agreement >= LEAST_AGREEMENT

      # @param quarters [Float] from the file's start
      # @return [Float] seconds in the recording
      def seconds(quarters)
        return offset + (@score.seconds(quarters) * scale) if kind == :clock

        beat = (quarters / scale).clamp(0, @edges.size - 1)
        low = [beat.floor, @edges.size - 2].min
        @edges[low] + ((@edges[low + 1] - @edges[low]) * (beat - low))
      end
    end
  end
end
