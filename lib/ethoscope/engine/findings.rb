# frozen_string_literal: true

module Ethoscope
  module Engine
    # What the stages of an analysis found, before it is laid out in the schema: the results of each, the sightings of techniques, what stems and the
    # score say of themselves, and what could not be told. The method is our own.
    Findings = Value.of(:features, :count, :chords, :parts, :playing, :sightings, :stems, :score, :gaps) do
      # @return [Harmony::Key] that holds
      def key = parts.keys.key

      # @return [Rhythm::BeatGrid]
      def grid = count.grid
    end
  end
end
