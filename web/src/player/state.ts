/** What is played and how, as the page sees it. */

import { isPart, type Isolation } from "./isolation";
import type { Fit, Side, Twin } from "./twin";

export interface Track {
  id: number;
  title: string;
  studyId: number;
  bars: { start: number; end: number }[];
  beats: number[];
  pickup: number;
  sections: { label: string; letter: string; first_bar: number; bars: number }[];
  beatsPerBar: number;
  duration: number;
  /** The bar from which parts are compared in loudness: the loudest one. */
  loudBar: number;
  /** The song that is heard beside it, at the same bar and as loud. */
  twin?: Twin;
}

export interface BarRun {
  first: number;
  last: number;
}

export interface PlayerState {
  track: Track | null;
  playing: boolean;
  /** The recording is on its way, or a part of it is. */
  loading: boolean;
  loop: BarRun | null;
  /** How often a loop is played; null for as long as nobody stops it. */
  passes: number | null;
  volume: number;
  rate: number;
  semitones: number;
  isolation: Isolation;
  click: boolean;
  countIn: boolean;
  /** Of a pair: which of both is heard, in whose tempo and key, and whether both are, left and right. */
  side: Side;
  fit: Fit;
  apart: boolean;
  /** dB by which the attempt is turned up (or down) to be as loud; null until that is known. */
  matched: number | null;
  error: string | null;
}

/** Playback starts quiet; people turn it up. */
const FIRST_VOLUME = 0.35;

export const STILL: PlayerState = {
  track: null,
  playing: false,
  loading: false,
  loop: null,
  passes: null,
  volume: FIRST_VOLUME,
  rate: 1,
  semitones: 0,
  isolation: "whole",
  click: false,
  countIn: false,
  side: "reference",
  fit: "reference",
  apart: false,
  matched: null,
  error: null,
};

/** The bar that sounds at a moment, from 1; 0 before the first. */
export function barAt(bars: Track["bars"], seconds: number): number {
  const after = bars.findIndex((bar) => bar.start > seconds + 1e-3);
  return after === -1 ? bars.length : after;
}

/** Where the sound comes from: the recording, or one of its separated parts. */
export function urlOf(track: Pick<Track, "id">, isolation: Isolation): string {
  const audio = `/api/references/${track.id}`;
  return isPart(isolation) ? `${audio}/parts/${isolation}` : `${audio}/audio`;
}
