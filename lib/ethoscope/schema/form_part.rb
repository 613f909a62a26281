# frozen_string_literal: true

module Ethoscope
  class Schema
    # Sections, bars, layers, what changes, techniques.
    class FormPart
      # @param findings [Findings]
      # @param confidence [Confidence]
      def initialize(findings, confidence)
        @found = findings
        @confidence = confidence
      end

      # @return [Hash]
      def to_h
        { sections: @found.sections.map { |section| section.to_h.merge(confidence: @confidence.of(:section, section.confidence)) }, novelty: @found.novelty, bars:,
          layers: @found.layers.map { |layer| layer_part(layer) }, untold_roles: Layers::Activity::UNTOLD - @found.layers.map(&:role), changes: @found.changes, phrase_bars: Form::Changes.phrase(@found.changes),
          techniques: @found.sightings.map { |sighting| { name: Techniques::Library.entry(sighting.kind).name }.merge(sighting.to_h) },
          stems: @found.stems, score: @found.score, told_by: @found.told_by, gaps: @found.gaps.map(&:to_h) }
      end

      private

      # Only what is told of the mix needs its confidence put right.
      def layer_part(layer) = layer.source == "mix" ? layer.to_h.merge(confidence: @confidence.of(:"layer_#{layer.role}", layer.confidence)) : layer.to_h

      def bars
        tempos = @found.grid.bar_tempos
        @found.grid.bar_edges.each_cons(2).with_index.map do |(from, to), i|
          { bar: i + 1, start: from, end: to, energy: @found.energy[i], width: @found.side[i], bpm: tempos[i] }
        end
      end
    end
  end
end
