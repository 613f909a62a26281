import type { Isolation } from "./isolation";
import type { Stretch } from "./PlayClock";

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

/** What the player needs of whatever makes the sound. */
export interface Engine {
  now(): number;
  latency(): number;
  prepare(url: string, stretched: boolean): Promise<void>;
  start(start: Start): Promise<void>;
  stop(): void;
  setVolume(volume: number): void;
  isolate(isolation: Isolation, whole: string, part: string, around: number): Promise<void>;
  click(time: number, first: boolean): void;
  silenceClicks(): void;
  sound(notes: number[], together: boolean, a4: number): Promise<void>;
  forget(): void;
}
