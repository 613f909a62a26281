# frozen_string_literal: true

module Ethoscope
  # Lays the results of all stages out in the schema of an {Analysis} (docs/schema.md).
  Schema = Value.of(:recording, :rhythm, :grid, :tuning, :keys, :key, :balance, :spans, :loop, :sections, :energy, :width,
    :loudness, :layers, :sightings)

  # One method a part of the schema.
  class Schema
    # @return [Hash] the schema, symbol keys
    def to_h
      { engine_version: Analysis::ENGINE_VERSION, duration: recording.duration.round(3), channels: recording.channels.shape[0] }
        .merge(rhythm_part, harmony_part, form_part)
    end

    private

    def rhythm_part
      { tempo: tempo, tempo_map: tempo_map, meter: grid.meter.name, meters: rhythm ? rhythm.meters : [],
        meter_confidence: rhythm ? rhythm.meters.first.odds : 0.0, beats: grid.beats, downbeats: grid.downbeats,
        pickup_beats: grid.pickup, end: grid.bar_edges.last, groove: groove }
    end

    def tempo
      return { bpm: nil, constant: false, confidence: 0.0, candidates: [] } unless rhythm

      { bpm: rhythm.bpm, constant: rhythm.constant, confidence: rhythm.confidence, candidates: rhythm.candidates }
    end

    def tempo_map
      return [] unless rhythm
      return [{ bar: 1, time: grid.bar_edges.first, bpm: rhythm.bpm }] if rhythm.constant

      grid.bar_tempos.each_with_index.map { |bpm, bar| { bar: bar + 1, time: grid.bar_edges[bar], bpm: } }
    end

    def groove
      swing = rhythm&.swing
      { swing_ratio: swing&.ratio || 0.5, swing_unit: swing&.unit || "8th", confidence: swing&.confidence || 0.0 }
    end

    def harmony_part
      { tuning_cents: tuning.cents, tuning: { cents: tuning.cents, confidence: tuning.confidence, a4: (440 * (2**(tuning.cents / 1200))).round(1) },
        key: key_part, pitch_classes: balance.transform_values { |row| shares(row) }, chords: spans.map { |span| chord(span) },
        loop: loop && loop_part }
    end

    def key_part
      return nil if keys.empty?

      best, *rest = keys.map { |candidate| { tonic: candidate.key.tonic, mode: candidate.key.mode, odds: candidate.odds } }
      { tonic: best[:tonic], mode: best[:mode], confidence: best[:odds], signature: key.signature, rivals: rest.first(4),
        scale: key.scale.map { |note| key.spell(note) } }
    end

    def shares(row)
      squares = row**2
      (squares / [squares.sum, 1e-9].max).to_a.map { |share| share.round(4) }
    end

    def chord(span)
      bar, beat = grid.place(span.first)
      edges = grid.half_beat_edges
      degree = Harmony::Degree.of(span.chord, key)
      { start: edges[span.first].round(5), end: edges[span.last].round(5), label: span.chord.label(key), symbol: span.chord.symbol(key),
        degree: degree&.numeral, borrowed_from: degree&.borrowed_from, confidence: span.confidence, bar:, beat:,
        beats: (span.last - span.first) / 2.0 }
    end

    def loop_part
      { bars: loop.bars, degrees: loop.degrees, symbols: loop.chords.map { |chord| chord.symbol(key) }, starts: loop.starts,
        confidence: loop.confidence }
    end

    def form_part
      { sections:, bars: bars, loudness: { integrated: loudness.integrated, peak_db: (20 * Math.log10(recording.peak)).round(1) },
        layers:, techniques: sightings.map { |sighting| { name: Techniques::Library.entry(sighting.kind).name }.merge(sighting.to_h) } }
    end

    def bars
      tempos = grid.bar_tempos
      grid.bar_edges.each_cons(2).with_index.map do |(from, to), i|
        { bar: i + 1, start: from, end: to, energy: energy[i], width: width[i], bpm: tempos[i] }
      end
    end
  end
end
