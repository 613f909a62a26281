/** The schema that the engine, the store and this front end share. See docs/schema.md. */

import type { Analysis, LayerCard, LayerSource } from "./analysis";

export type * from "./analysis";
export type * from "./profile";

export type Aim = "exact" | "style" | "study";
export type RunState = "queued" | "running" | "done" | "failed";
export type ReadingState = "open" | "confirmed" | "corrected" | "refuted";
export type Source = "measured" | "heard" | "credited" | "published" | "told" | "assumed";
export type Aspect = "tempo" | "meter" | "key" | "tuning" | "loop" | "form" | "loudness";
export type NotedAspect = "chord" | "layer" | "technique" | "mark" | "change" | "sighting";
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

/** One piece of background work on what a study holds. */
export interface WorkRun {
  kind: "analysis" | "derivation" | "stem" | "separation" | "assembly";
  id: number;
  /** Null for a song that is put together. */
  reference_id: number | null;
  state: RunState | "open";
  stage: string | null;
  progress: number;
  error: string | null;
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
  /** Why the reference can't be shown, in words. */
  problem: string | null;
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

/** A song that comes without a mix, while it is put together. */
export interface Assembly {
  id: number;
  study_id: number;
  title: string;
  stems: { recording_id: number; name: string }[];
  score_name: string | null;
  state: RunState | "open";
  progress: number;
  error: string | null;
}

export interface StudyPage {
  study: Study;
  references: ReferenceRow[];
  checklists: ChecklistRow[];
  assemblies: Assembly[];
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
  aspect: Aspect | NotedAspect;
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
  /** Where it is said. */
  link: string;
  created_at: string;
}

export interface ReferencePage {
  reference: Reference & { run: Run | null };
  analysis: Analysis | null;
  /** Why there is no sheet although there is an analysis. */
  problem: string | null;
  readings: Reading[];
  current: Record<string, number>;
  /** Readings that contradict each other, by aspect. */
  contradictions: Record<string, number[]>;
  journal: Journal;
  /** The run that works in what was put right. */
  derivation: { state: RunState; stage: string | null; progress: number; error: string | null } | null;
  stems: StemRow[];
  score: ScoreRow | null;
  table: SectionTable | null;
}

export interface StemRow {
  id: number;
  name: string;
  role: string;
  guess: string;
  offset: number | null;
  set_offset: number | null;
  agreement: number | null;
  distinct: number | null;
  seconds: number | null;
  state: RunState;
  progress: number;
  error: string | null;
}

export interface ScoreRow {
  name: string;
  parts: { name: string; role: string; notes: number; program: number | null }[];
  roles: Record<string, string>;
  warnings: string[];
}

/** Who plays how much in which section. */
export interface SectionTable {
  layers: {
    name: string;
    role: string | null;
    source: LayerSource | "heard";
    reading_id: number | null;
    cells: SectionCell[];
  }[];
  sections: { playing: number; entered: string[]; left: string[] }[];
}

export interface SectionCell {
  state: "absent" | "thin" | "full";
  share: number;
  variation: string | null;
  new: boolean;
  left: boolean;
}

/** A layer's card with where it belongs. */
export interface SoundRow {
  reading_id: number;
  reference_id: number;
  song: string;
  name: string;
  role: string | null;
  card: LayerCard;
}

/** Every change that a person made, and where undo and redo stand. */
export interface Journal {
  revision: number;
  undo: string | null;
  redo: string | null;
  edits: { number: number; label: string; created_at: string; undone: boolean }[];
}

export interface TechniqueEntry {
  kind: string;
  family: string;
  name: string;
  summary: string;
  hear: string;
  mix: string;
  stems: string;
  midi: string;
  measure: string;
  steps: string[];
  wrong: string;
  /** Whether the engine looks for it. */
  searched: boolean;
  /** Whether the study has its own words for it. */
  own?: boolean;
}

/** How a technique is done here: for each sighting the steps with its figures. */
export interface HowTo {
  entry: TechniqueEntry;
  steps: { first_bar: number | null; last_bar: number | null; steps: string[] }[];
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
  /** What of the reading it rests on, such as "layer:bass". */
  about: string | null;
  /** What it would say if it were made now, where that differs; nulls where the readings say nothing of it any more. */
  now?: { target: string | null; tolerance: string | null } | null;
  state: ItemState;
  note: string;
}

export interface Checklist extends ChecklistHead {
  items: Item[];
}
