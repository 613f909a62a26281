import type { BassNote, Change, Lead, Mix, StepPattern, Timing } from "./playing";
import type { ScoreFacts, StemSound } from "./sources";
import type { ReadingState, Source } from "./types";

export type * from "./playing";
export type * from "./sources";

// The schema of an analysis (docs/schema.md) as the front end sees it.

export interface Chord {
  start: number;
  end: number;
  label: string;
  symbol: string;
  degree: string | null;
  borrowed_from: string | null;
  function: string | null;
  function_of: string | null;
  confidence: number;
  rivals: { symbol: string; odds: number }[];
  bar: number;
  beat: number;
  beats: number;
  source: Source;
  state: ReadingState;
  reading_id: number | null;
  note: string;
  /** Note names, root first. */
  notes: string[];
  /** Other names for the same notes over the same bass. */
  names: string[];
  /** Notes with octaves as a person hears them. */
  voicing: string[];
  /** Notes with octaves as a MIDI file has them. */
  written?: string[];
}

export interface Section {
  label: string;
  letter: string;
  first_bar: number;
  bars: number;
  start: number;
  end: number;
  confidence: number;
  reason: string;
  source: Source;
  state: ReadingState;
  /** The nearest usual length, where the length is unusual. */
  usual_bars: number | null;
}

export interface Bar {
  bar: number;
  start: number;
  end: number;
  energy: number;
  width: number;
  bpm: number;
}

/** What tells of a song: notes lead, then stems, then the mix. */
export type LayerSource = "mix" | "stem" | "midi";

export interface Layer {
  role: string;
  name: string;
  source: LayerSource;
  activity: number[];
  confidence: number;
  spans: [number, number][];
  /** What weaker sources say of the role. */
  rivals: { source: LayerSource; activity: number[]; spans: [number, number][] }[];
}

/** The measured series that shows a technique. */
export interface SeriesEvidence {
  label: string;
  unit: string;
  first_bar: number;
  /** Bars between two values. */
  step: number;
  values: (number | null)[];
  threshold: number | null;
}

/** A layer that a person hears. */
export interface HeardLayer {
  reading_id: number;
  name: string;
  role: string | null;
  /** 0 absent to 3 full, by bar. */
  levels: number[];
  card: LayerCard;
}

export type Have = "have" | "need" | "substitute";

export interface LayerCard {
  sound?: string;
  have?: Have | null;
  register?: string;
  stacked?: number | null;
  articulation?: string;
  pattern?: string;
  pan?: string;
  width?: string;
  automation?: string;
  variations?: string;
  sends?: string;
  /** The layer that this one is made from. */
  made_from?: string;
  /** What a substitute lacks. */
  lost?: string;
  /** The name under which it is the same in several songs. */
  shared?: string;
  purpose?: string | null;
  stack?: { text: string; gives: string }[];
  candidates?: {
    text: string;
    source?: string | null;
    sure?: number | null;
    cost?: string;
    live?: boolean | null;
  }[];
  chain?: { type: string; setting?: string; amount?: string; why?: string }[];
}

export interface SheetMark {
  reading_id: number;
  type: string;
  text: string;
  layer_id?: number | null;
  first_bar: number;
  last_bar: number;
}

export interface Sighting {
  kind: string;
  state: ReadingState;
  reading_id: number | null;
  name: string;
  first_bar: number;
  last_bar: number;
  start: number;
  end: number;
  confidence: number;
  detail: Record<string, number | string | string[]>;
  source: LayerSource;
  evidence: SeriesEvidence | null;
}

export interface Loop {
  bars: number;
  degrees: string[];
  symbols: string[];
  starts: number[];
  confidence: number;
}

export interface KeyPart {
  tonic: string;
  mode: string;
  confidence: number;
  signature: number;
  rivals: { tonic: string; mode: string; odds: number }[];
  scale: string[];
  pentatonic: boolean;
  stretches: KeyStretch[];
  outside: { note: string; share: number; bars: number[] }[];
}

/** A key that holds from one bar to another. */
export interface KeyStretch {
  tonic: string;
  mode: string;
  first_bar: number;
  last_bar: number;
  confidence: number;
}

/** Something that could not be told: why in words, or a fault of the engine with its place. */
export interface Gap {
  what: string;
  reason: string | null;
  fault: string | null;
}

export interface Analysis {
  gaps: Gap[];
  engine_version: string;
  duration: number;
  channels: number;
  tempo: {
    bpm: number | null;
    constant: boolean;
    confidence: number;
    candidates: { bpm: number; odds: number; relation: string; reason: string }[];
    /** How well onsets repeat at each rate: [BPM, strength]. */
    pulse: [number, number][];
  };
  tempo_map: { bar: number; time: number; bpm: number }[];
  meter: string;
  meters: { name: string; odds: number }[];
  meter_confidence: number;
  beats: number[];
  downbeats: number[];
  pickup_beats: number;
  end: number;
  downbeat_confidence: number;
  groove: { swing_ratio: number; swing_unit: string; confidence: number; timing: Timing[]; feel: string | null };
  drums: StepPattern[];
  tuning: { cents: number; confidence: number; a4: number; histogram: number[] };
  key: KeyPart | null;
  pitch_classes: { all: number[]; bass: number[] };
  chords: Chord[];
  loop: Loop | null;
  loops: (Loop & { letters: string[] })[];
  cadences: { kind: string; bar: number }[];
  bass: { notes: BassNote[]; tones: Record<string, number>; lowest: number | null; highest: number | null };
  leads: Lead[];
  changes: Change[];
  /** Roles of which a mix says nothing. */
  untold_roles: string[];
  phrase_bars: number | null;
  sections: Section[];
  /** For each bar how likely it is that a section begins with it. */
  novelty: number[];
  bars: Bar[];
  loudness: {
    integrated: number | null;
    range: number | null;
    loudest_short_term: number;
    true_peak: number;
    peak_db: number;
    short_term: number[];
  };
  mix: Mix;
  layers: Layer[];
  heard_layers: HeardLayer[];
  marks: SheetMark[];
  techniques: Sighting[];
  stems: StemSound[];
  score: ScoreFacts | null;
  told_by: { count: LayerSource; chords: LayerSource; bass: LayerSource; drums: LayerSource };
}
