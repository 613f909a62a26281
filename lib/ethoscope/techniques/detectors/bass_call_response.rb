# frozen_string_literal: true

module Ethoscope
  module Techniques
    module Detectors
      # The bass plays a phrase and answers it with another ending: neighbouring bars begin alike and end apart, in turn.
      # How it is recognised is our own.
      module BassCallResponse
        KIND = "bass_call_response"
        # How sure a sighting is, by judgement: read from notes, or heard.
        SURE_WRITTEN = 0.9
        SURE_HEARD = 0.7
        # Likeness of the first halves at the least, of the second halves at the most, and of every second phrase at the least.
        ALIKE = 0.8
        APART = 0.4
        RETURNS = 0.8
        PHRASES = [1, 2].freeze

        # @param scene [Scene]
        # @return [Array<Sighting>]
        def self.find(scene)
          bass = scene.told.find { |player| player.role == "bass" && player.pitches.any? } or return []
          scene.sections.filter_map { |section| PHRASES.filter_map { |length| in_section(scene, bass, section, length) }.first }
        end

        def self.in_section(scene, bass, section, length)
          phrases = Array.new(section.bars / length) { |i| phrase(scene, bass, section.first_bar - 1 + (i * length), length) }
          return nil if phrases.size < 4 || phrases.any? { |halves| halves.any?(&:empty?) }

          pairs = phrases.each_slice(2).select { |pair| pair.size == 2 }
          firsts = mean(pairs) { |a, b| likeness(a[0], b[0]) }
          seconds = pairs.map { |a, b| likeness(a[1], b[1]) }
          returns = mean(phrases.each_cons(3)) { |a, _, c| likeness(a[1], c[1]) }
          return nil unless firsts >= ALIKE && seconds.sum / seconds.size <= APART && returns >= RETURNS

          scene.sighting(KIND, section.bar_range, confidence: bass.source == "midi" ? SURE_WRITTEN : SURE_HEARD, source: bass.source, detail: { phrase: length },
            evidence: scene.evidence("likeness of call's and answer's endings", seconds, unit: "of 1", threshold: APART, first_bar: section.first_bar, step: 2 * length))
        end
        private_class_method :in_section

        # Notes of both halves of a phrase: place in it, and pitch.
        def self.phrase(scene, bass, bar, length)
          first = bar * scene.bar_beats
          half = length * scene.bar_beats / 2.0
          [0, 1].map { |part| bass.within((first + (part * half))...(first + ((part + 1) * half))).map { |event| [((event.beat - first) * 4).round, event.pitch] } }
        end
        private_class_method :phrase

        def self.likeness(one, other) = (one & other).size / [one.size, other.size].max.to_f
        private_class_method :likeness

        def self.mean(list, &) = list.sum(&) / list.count.to_f
        private_class_method :mean
      end
    end
  end
end
