/** What stems and a MIDI file tell of a song. */

/** What was measured on a stem. */
export interface StemSound {
  name: string;
  role: string;
  offset: number;
  bars: {
    level_db: number[];
    share: number[];
    pan: (number | null)[];
    width: (number | null)[];
    brightness: (number | null)[];
  };
  bandwidth: [number, number];
  brightness: number;
  image: "mono" | "narrow" | "wide";
  pan: number;
  width: number;
  motion: { range: number; bars: number } | null;
  crest_db: number;
  shape: { attack_ms: number; decay_ms: number | null; attack: string; decay: string } | null;
  pumping: { depth_db: number; rate: string; follows: string | null } | null;
  gating: { steps: number; depth_db: number } | null;
  echo: { ms: number; unit: string; under_db: number; alternates: boolean } | null;
  /** Seconds in which its sounds would fall by sixty dB. */
  tail_s: number | null;
  pitch: { line: boolean; polyphony: number; low: number; middle: number; high: number } | null;
  density: number;
  timing: { late_ms: number | null; spread_ms: number | null; swing: number | null };
  period: number | null;
  variations: (string | null)[];
}

/** What the notes of one part of a score tell. */
export interface ScorePart {
  name: string;
  role: string;
  program: number | null;
  notes: number;
  low: number;
  middle: number;
  high: number;
  polyphony: number;
  length_beats: number;
  velocity: { low: number; middle: number; high: number; spread: number; by_sixteenth: (number | null)[] };
  grid: string | null;
  residual_ms: number | null;
  period: number | null;
  transposed: { bars: number; semitones: number } | null;
  /** The first bars until they come back: [sixteenth from their start, pitch]. */
  pattern: [number, number][];
  variations: (string | null)[];
}

export interface ScoreFacts {
  bpm: number;
  tempo_changes: number;
  meter: string;
  markers: { text: string; bar: number }[];
  warnings: string[];
  placement: { kind: "clock" | "beats"; offset: number; agreement: number; believable: boolean };
  parts: ScorePart[];
}
