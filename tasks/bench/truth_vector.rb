# frozen_string_literal: true

require "json"

module Bench
  # A generated song's truth as a vector, as far as the truth tells: so that the same traits are read off it as off what the engine heard.
  class TruthVector
    # A layer is full in a section from this share of its time on; a stroke belongs to the pattern from this share of the bars on.
    FULL = 0.5
    PIECES = { "kick" => "kick", "snare" => "snare", "hats" => "hat" }.freeze
    ROLES = %w[kick snare hats percussion bass chords lead].freeze

    # @param path [String] of NAME.json
    # @return [Ethoscope::Measures::Vector]
    def self.read(path) = new(JSON.parse(File.read(path), symbolize_names: true)).vector

    # @param truth [Hash]
    def initialize(truth)
      @truth = truth
      @key = truth[:keys].max_by { |key| key[:end] - key[:start] }
      first = 1
      @sections = truth[:sections].map { |section| section.slice(:label, :bars, :start, :end).merge(first_bar: first).tap { first += section[:bars] } }
      @last = first - 1
    end

    # @return [Ethoscope::Measures::Vector]
    def vector
      rows = places
      Ethoscope::Measures::Vector.new(whole.compact.to_h { |id, value| [id, [row(value)]] }) { rows }
    end

    private

    def row(value, place = nil) = { value:, source: "person", confidence: 1.0, place: }.compact

    def whole
      { "time.tempo": { bpm: @truth[:tempo_bpm].to_f }, "time.meter": @truth[:meter], "time.length": @last, "time.duration": @truth[:duration],
        "groove.swing": { ratio: @truth[:swing][:ratio] }, "harmony.key": @key&.slice(:tonic, :mode), "harmony.mode": @key&.fetch(:mode) }
    end

    def places
      { "form.section": @sections.map { |section| row({ label: section[:label] }, place(section)) }, "harmony.chords": @sections.map do |section|
        row(chords(section), place(section))
      end,
        "layers.plays": ROLES.flat_map { |role| plays(role) }, "groove.steps": steps,
        "techniques.technique": @truth[:techniques].map { |sighting| row({ kind: sighting[:kind] }) } }
    end

    def place(section) = { label: section[:label], letter: "A", first_bar: section[:first_bar], bars: section[:bars] }

    def chords(section)
      beat = (section[:end] - section[:start]) / (section[:bars] * beats)
      inside(@truth[:chords], section).reject { |chord, _| chord[:label] == "N" }.map { |chord, seconds| { label: chord[:label], beats: (seconds / beat).round(1) } }
    end

    def beats = Ethoscope::Rhythm::Meter.named(@truth[:meter]).beats

    # What of them lies in a section for longer than an instant, with its seconds there.
    def inside(spans, section)
      spans.map { |span| [span, [span[:end], section[:end]].min - [span[:start], section[:start]].max] }.select { |_, seconds| seconds > 0.1 }
    end

    def plays(role)
      spans = @truth[:layers].select { |layer| layer[:role] == role }.flat_map { |layer| layer[:spans].map { |from, to| { start: from, end: to } } }
      return [] if spans.empty?

      @sections.map { |section| row(state(spans, section), place(section).merge(role:)) }
    end

    def state(spans, section)
      share = inside(spans, section).sum { |_, seconds| seconds } / (section[:end] - section[:start])
      if share >= FULL
        "full"
      else
        (share.positive? ? "thin" : "absent")
      end
    end

    def steps
      pattern = @truth[:drum_pattern] or return []
      section = @sections.find { |one| one[:label] == pattern[:section] } || @sections.first
      PIECES.filter_map do |role, piece|
        hits = pattern[piece.to_sym]&.map { |rate| rate >= FULL ? 1.0 : 0.0 }
        row({ steps: pattern[:steps], bars: 1, hits:, per_beat: pattern[:steps] / beats, piece: role }, place(section).merge(role:)) if hits&.any?(&:positive?)
      end
    end
  end
end
