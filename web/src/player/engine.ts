import type { Isolation } from "./isolation";
import type { Stretch } from "./PlayClock";
import type { Side } from "./twin";

export interface Start {
  url: string;
  /** Seconds on the engine's clock. */
  at: number;
  /** Seconds into the recording. */
  from: number;
  rate: number;
  semitones: number;
  loop: Stretch | null;
  /** When it ends by itself, on the engine's clock. */
  until: number | null;
}

/** What the other song of a pair plays meanwhile: passages on the engine's clock, or one that is looped. */
export interface Accompaniment {
  url: string;
  semitones: number;
  passages: { at: number; from: number; rate: number; seconds: number }[];
  loop: Stretch | null;
  /** When all of it ends, on the engine's clock. */
  until: number | null;
}

/** How loud either song of a pair is, and whether they are heard left and right. */
export interface Sides {
  gains: Record<Side, number>;
  apart: boolean;
}

/** What the player needs of whatever makes the sound. */
export interface Engine {
  now(): number;
  latency(): number;
  prepare(url: string, stretched: boolean): Promise<void>;
  start(start: Start): Promise<void>;
  accompany(accompaniment: Accompaniment): Promise<void>;
  mix(sides: Sides): void;
  /** Weighted mean square of a stretch of a recording, by which two are made as loud as each other. */
  power(url: string, stretch: Stretch): Promise<number>;
  stop(): void;
  setVolume(volume: number): void;
  isolate(isolation: Isolation, whole: string, part: string, around: number): Promise<void>;
  click(time: number, first: boolean): void;
  silenceClicks(): void;
  sound(notes: number[], together: boolean, a4: number): Promise<void>;
  forget(): void;
}
