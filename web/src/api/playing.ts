/** Who plays what: steps, timing, entries, bass and lead lines, and the room that each takes. */

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
  /** What a person struck out, such as "enters:bass". */
  struck: string[];
  added: { reading_id: number; text: string }[];
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
