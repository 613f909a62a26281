# frozen_string_literal: true

module Ethoscope
  class Schema
    # Fills in what analyses of older engines did not say, as "nothing found", so that they can still be shown.
    module Upgrade
      WHOLE = { drums: [], loops: [], cadences: [], leads: [], lines: [], parts: [], changes: [], untold_roles: [], voiceless: [], novelty: [], phrase_bars: nil,
                downbeat_confidence: 0.0, counts: [], bar_lines: [], stems: [], score: nil,
                told_by: { count: "mix", chords: "mix", bass: "mix", drums: "mix" }, techniques: [], gaps: [],
                returns: { sections: [], layers: [], doublings: [] }.freeze, bass: { notes: [], tones: {}, lowest: nil, highest: nil }, prints: nil,
                mix: { centres: [], spectrum: [], registers: [], sections: [] } }.freeze
      PARTS = { tempo: { pulse: [], residuals: [], drift_ms: nil, better: nil }, groove: { timing: [], feel: nil }, tuning: { histogram: [] },
                key: { pentatonic: false, stretches: [], outside: [] },
                loudness: { range: nil, loudest_short_term: -70.0, true_peak: 0.0, short_term: [] } }.freeze
      CHORD = { function: nil, function_of: nil, rivals: [], written: [] }.freeze
      BASS_NOTE = { sure: 1.0 }.freeze
      CANDIDATE = { reason: "" }.freeze
      LAYER = { source: "mix", rivals: [] }.freeze
      LISTS = { lines: { edited: 0 }, techniques: { source: "mix", evidence: nil } }.freeze

      # @param data [Hash] the schema of any engine version, symbol keys
      # @return [Hash] with all parts of the present one
      def self.of(data)
        full = WHOLE.merge(data)
        PARTS.each { |name, defaults| full[name] = defaults.merge(full[name]) if full[name] }
        full[:chords] = full[:chords].map { |chord| CHORD.merge(chord) } if full[:chords]
        full[:layers] = full[:layers].map { |layer| { name: layer[:role], **LAYER, **layer } } if full[:layers]
        full[:bass] = full[:bass].merge(notes: full[:bass][:notes].map { |note| BASS_NOTE.merge(note) }) if full[:bass]
        LISTS.each { |name, defaults| full[name] = full[name].map { |entry| defaults.merge(entry) } }
        full.merge(full.dig(:tempo, :candidates) ? { tempo: tempo(full[:tempo]) } : {})
      end

      def self.tempo(tempo) = tempo.merge(candidates: tempo[:candidates].map { |one| CANDIDATE.merge(one) })
      private_class_method :tempo
    end
  end
end
