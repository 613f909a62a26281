# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # The loop is two chords whose roots lie a fourth or a fifth apart. How it is recognised is our own.
      module TwoChordLoop
        KIND = "two_chord_loop"
        INTERVALS = [5, 7].freeze
        # Share of the song that the loop must tell.
        COVERS = 0.5

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          loop = scene.key && scene.loop or return []
          chords = loop.chords.flatten.reject(&:none?).uniq(&:root)
          fills = loop.starts.size * loop.bars >= COVERS * scene.grid.bars
          fills && chords.size == 2 && INTERVALS.include?((chords[1].root - chords[0].root) % 12) ? [sighting(scene, loop, chords)] : []
        end

        def self.sighting(scene, loop, chords)
          told = (1..scene.grid.bars).map { |bar| loop.starts.any? { |start| bar.between?(start, start + loop.bars - 1) } ? 1 : 0 }
          scene.sighting(KIND, loop.starts.first..(loop.starts.last + loop.bars - 1), confidence: loop.confidence,
            detail: { chords: chords.map { |chord| Harmony::Degree.of(chord, scene.key).numeral }.join(" and ") },
            evidence: scene.evidence("bars that the two chords fill", told, unit: "yes or no", threshold: 1))
        end
        private_class_method :sighting
      end
    end
  end
end
