/** The schema that the engine, the store and this front end share. See docs/schema.md. */

export type Aim = "exact" | "style" | "study";
export type RunState = "queued" | "running" | "done" | "failed";
export type ReadingState = "open" | "confirmed" | "corrected" | "refuted";
export type Source = "measured" | "heard" | "credited" | "published" | "told" | "assumed";
export type Aspect = "tempo" | "meter" | "key" | "tuning" | "loop" | "form" | "loudness";
export type Mark = "none" | "measured" | "heard" | "confirmed" | "corrected" | "refuted";

export interface Study {
  id: number;
  title: string;
  aim: Aim;
  scope_bar: number | null;
  target_bpm: number | null;
  target_tonic: string | null;
  target_mode: string | null;
  created_at: string;
  references?: number;
}

export interface Run {
  id: number;
  recording_id: number;
  state: RunState;
  stage: string | null;
  progress: number;
  error: string | null;
  engine_version: string | null;
  created_at: string;
  finished_at: string | null;
}

export interface ReferenceSummary {
  bpm: number | null;
  meter: string;
  key: string | null;
  bars: number;
  duration: number;
  lufs: number | null;
  sections: number;
  loop: string | null;
}

export interface Reference {
  id: number;
  study_id: number;
  recording_id: number;
  title: string;
  artist: string | null;
  original_name: string;
  position: number;
}

export interface ReferenceRow extends Reference {
  analysis: Run | null;
  marks: Record<string, Mark>;
  summary: ReferenceSummary | null;
}

interface ChecklistHead {
  id: number;
  study_id: number;
  reference_id: number | null;
  title: string;
  school: string;
  created_at: string;
}

export interface ChecklistRow extends ChecklistHead {
  total: number;
  done: number;
}

export interface StudyPage {
  study: Study;
  references: ReferenceRow[];
  checklists: ChecklistRow[];
}

export interface Rival {
  label: string;
  odds: number;
}

export interface Reading {
  id: number;
  reference_id: number;
  analysis_id: number | null;
  supersedes_id: number | null;
  aspect: Aspect | "layer" | "technique";
  value: Record<string, unknown> | null;
  statement: string;
  note: string;
  why: string;
  rivals: Rival[];
  first_bar: number | null;
  last_bar: number | null;
  source: Source;
  confidence: number | null;
  state: ReadingState;
  created_at: string;
}

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
}

export interface Bar {
  bar: number;
  start: number;
  end: number;
  energy: number;
  width: number;
  bpm: number;
}

export interface Layer {
  role: string;
  activity: number[];
  confidence: number;
  spans: [number, number][];
}

export interface Sighting {
  kind: string;
  name: string;
  first_bar: number;
  last_bar: number;
  start: number;
  end: number;
  confidence: number;
  detail: Record<string, number>;
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

/** One piece of the kit, step by step. */
export interface StepRow {
  piece: string;
  probability: number[];
  velocity: number[];
  ghost: number[];
}

export interface StepPattern {
  first_bar: number;
  bars: number;
  steps: number;
  rows: StepRow[];
  names: string[];
  hat_rate: string | null;
  departures: { bar: number; kind: "fill" | "gap" }[];
  confidence: number;
}

/** Offsets of onsets from the grid in ms by step. */
export interface Timing {
  register: string;
  offsets_ms: (number | null)[];
  spread_ms: number | null;
  onsets: number;
}

/** What changes where a run of four bars begins. */
export interface Change {
  bar: number;
  enters: string[];
  leaves: string[];
  thins: string[];
  swells: string[];
  hats: "faster" | "slower" | null;
}

export interface BassNote {
  bar: number;
  beat: number;
  beats: number;
  start: number;
  end: number;
  pitch: number;
  name: string;
  tone: string;
}

export interface Lead {
  first_bar: number;
  bars: number;
  low: number;
  middle: number;
  high: number;
  contour: string;
  confidence: number;
}

export interface Register {
  name: string;
  hertz: [number, number];
  side: number;
  correlation: number;
  mono_loss_db: number;
}

export interface Mix {
  centres: number[];
  spectrum: number[];
  registers: Register[];
  sections: { first_bar: number; against_mean: number[]; registers: Register[] }[];
}

export interface Analysis {
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
  techniques: Sighting[];
}

export interface ReferencePage {
  reference: Reference & { run: Run | null };
  analysis: Analysis | null;
  readings: Reading[];
  current: Record<string, number>;
}

export interface TechniqueEntry {
  kind: string;
  name: string;
  summary: string;
  steps: string[];
}

export interface School {
  id: string;
  name: string;
  reason: string;
  stages: string[];
}

export type ItemState = "open" | "done" | "skipped";

export interface Item {
  id: number;
  checklist_id: number;
  reading_id: number | null;
  number: string;
  stage: string;
  title: string;
  target: string;
  tolerance: string;
  minutes: number;
  steps: string[];
  fallback: string;
  from: string;
  state: ItemState;
  note: string;
}

export interface Checklist extends ChecklistHead {
  items: Item[];
}

export interface TempoPoint {
  counted: number;
  folded: number;
  apart: boolean;
}

export interface ProfileSong {
  title: string;
  bars: number;
  duration: number;
  meter: string;
  sections: { label: string; letter: string; first_bar: number; bars: number; energy: number }[];
}

export interface Profile {
  songs: ProfileSong[];
  tempo: { range: [number, number] | null; middle: number | null; points: (TempoPoint | null)[] };
  keys: {
    minor: number;
    of: number;
    modes: Record<string, number>;
    tonics: Record<string, number>;
    songs: ({ tonic: string; mode: string; fifths: number; signature: number } | null)[];
  };
  degrees: { degree: string; share: number; songs: boolean[] }[];
  loops: { degrees: string[]; songs: boolean[] }[];
  layers: { kinds: { name: string; of: number }[]; roles: { role: string; counts: number[] }[] };
  techniques: { kind: string; name: string; songs: boolean[]; sightings: number }[];
  statements: { aspect: string; text: string; n: number; m: number }[];
  outlier: { song: number; title: string; respects: string[] } | null;
}
