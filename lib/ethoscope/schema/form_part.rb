# frozen_string_literal: true

module Ethoscope
  class Schema
    # Sections, bars, layers, what changes, techniques.
    class FormPart
      # @param findings [Engine::Findings]
      # @param confidence [Engine::Confidence]
      def initialize(findings, confidence)
        @found = findings
        @confidence = confidence
      end

      # @return [Hash]
      def to_h
        { sections: @found.parts.sections.map { |section| section.to_h.merge(confidence: @confidence.of(:section, section.confidence)) }, novelty: @found.parts.novelty, bars:,
          layers: @found.playing.layers.map do |layer|
            layer_part(layer)
          end, untold_roles: Layers::Activity::UNTOLD - @found.playing.layers.map(&:role), voiceless:, changes: @found.playing.changes, phrase_bars: Form::Changes.phrase(@found.playing.changes),
          techniques: @found.sightings.map { |sighting| { name: Techniques::Library.entry(sighting.kind).name }.merge(sighting.to_h) },
          stems: @found.stems, score: @found.score, told_by:, gaps: @found.gaps.map(&:to_h) }
      end

      private

      # Only what is told of the mix needs its confidence put right.
      def layer_part(layer) = layer.source == "mix" ? layer.to_h.merge(confidence: @confidence.of(:"layer_#{layer.role}", layer.confidence)) : layer.to_h

      # Passages that people cut out to work with.
      def voiceless
        voices = @found.playing.layers.select { |layer| layer.role == Layers::Voice::ROLE }
        voices.empty? ? [] : Layers::Voice.rests(voices).map { |bars| { first_bar: bars.begin, last_bar: bars.end } }
      end

      # Which source led.
      def told_by
        { count: @found.count.source, chords: @found.chords.source, bass: @found.playing.bass_source, drums: @found.count.ensemble.drum_source }
      end

      def bars
        tempos = @found.grid.bar_tempos
        energy = @found.count.hearing.energy
        side = @found.count.hearing.side
        @found.grid.bar_edges.each_cons(2).with_index.map do |(from, to), i|
          { bar: i + 1, start: from, end: to, energy: energy[i], width: side[i], bpm: tempos[i] }
        end
      end
    end
  end
end
