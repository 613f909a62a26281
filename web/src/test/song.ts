import type { Analysis, Bar, Chord, Reading } from "../api/types";

/** A song of so many bars of two seconds, with one chord a bar going round. */
export function song(count: number, symbols: string[], change: Partial<Analysis> = {}): Analysis {
  const bars: Bar[] = Array.from({ length: count }, (_, index) => ({
    bar: index + 1,
    start: 0.5 + index * 2,
    end: 2.5 + index * 2,
    energy: -14,
    width: 0.1,
    bpm: 120,
  }));
  const starts = Array.from({ length: Math.floor(count / symbols.length) }, (_, index) => 1 + index * symbols.length);
  return {
    engine_version: "test",
    duration: count * 2 + 1,
    channels: 2,
    tempo: { bpm: 120, constant: true, confidence: 0.9, candidates: [], pulse: [] },
    tempo_map: [{ bar: 1, time: 0.5, bpm: 120 }],
    meter: "4/4",
    meters: [],
    meter_confidence: 0.9,
    beats: [],
    downbeats: bars.map((bar) => bar.start),
    pickup_beats: 0,
    end: 0.5 + count * 2,
    groove: { swing_ratio: 0.5, swing_unit: "8th", confidence: 0.5, timing: [], feel: null },
    downbeat_confidence: 0.9,
    drums: [],
    tuning_cents: 0,
    tuning: { cents: 0, confidence: 0.9, a4: 440, histogram: [] },
    key: null,
    pitch_classes: { all: [], bass: [] },
    chords: bars.map((bar, index) => chord(bar, symbols[index % symbols.length] ?? "")),
    loop: { bars: symbols.length, degrees: symbols, symbols, starts, confidence: 0.9 },
    loops: [],
    cadences: [],
    bass: { notes: [], tones: {}, lowest: null, highest: null },
    leads: [],
    changes: [],
    untold_roles: [],
    phrase_bars: null,
    sections: [],
    novelty: [],
    bars,
    loudness: { integrated: -14, range: 6, loudest_short_term: -12, true_peak: -0.8, peak_db: -1, short_term: [] },
    mix: { centres: [], spectrum: [], registers: [], sections: [] },
    layers: [],
    heard_layers: [],
    marks: [],
    techniques: [],
    gaps: [],
    stems: [],
    score: null,
    told_by: { count: "mix", chords: "mix", bass: "mix", drums: "mix" },
    ...change,
  };
}

function chord(bar: Bar, symbol: string): Chord {
  const { start, end } = bar;
  return {
    start,
    end,
    label: symbol,
    symbol,
    degree: symbol,
    borrowed_from: null,
    function: "diatonic",
    function_of: null,
    rivals: [],
    confidence: 0.9,
    bar: bar.bar,
    beat: 1,
    beats: 4,
    source: "measured",
    state: "open",
    reading_id: null,
    note: "",
    notes: [],
    names: [],
    voicing: [],
  };
}

export function reading(change: Partial<Reading>): Reading {
  return {
    id: 1,
    reference_id: 1,
    analysis_id: null,
    supersedes_id: null,
    aspect: "technique",
    value: null,
    statement: "",
    note: "",
    why: "",
    rivals: [],
    first_bar: null,
    last_bar: null,
    source: "heard",
    confidence: null,
    state: "open",
    link: "",
    created_at: "2026-01-01T00:00:00.000Z",
    starts_at: null,
    ends_at: null,
    ...change,
  };
}
