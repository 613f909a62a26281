import type { Analysis, PlayedLine, StepPattern } from "../api/types";
import { pitchName } from "../lib/naming";

/** A stroke or note of a layer, in beats from the start of bar 1. */
export interface PlayedNote {
  beat: number;
  beats: number;
  pitch: number | null;
  velocity: number;
}

export function notesOf(line: PlayedLine): PlayedNote[] {
  return line.notes.map(([beat, beats, pitch, velocity]) => ({
    beat: beat ?? 0,
    beats: beats ?? 0,
    pitch: pitch ?? null,
    velocity: velocity ?? 1,
  }));
}

/** What is played of a layer, by the layer's name, or by its role where only one line has it. */
export function lineOf(analysis: Analysis, layer: { name: string; role: string | null }): PlayedLine | undefined {
  return (
    analysis.lines.find((line) => line.layer === layer.name) ??
    only(analysis.lines.filter((line) => line.role === layer.role))
  );
}

function only<T>(list: T[]): T | undefined {
  return list.length === 1 ? list[0] : undefined;
}

/** Beats in a bar, as bars and beats of a song have them. */
export function beatsPerBar(analysis: Analysis): number {
  const [first, second] = analysis.downbeats;
  if (first === undefined || second === undefined) return 4;
  return analysis.beats.filter((beat) => beat >= first - 1e-4 && beat < second - 1e-4).length;
}

/** What a hair early plays belongs to the bar that it leads into. */
const EARLY = 0.06;

/** The notes or strokes of one bar, their beats counted from 1. */
export function notesInBar(line: PlayedLine, bar: number, perBar: number): PlayedNote[] {
  const start = (bar - 1) * perBar;
  return notesOf(line)
    .filter(({ beat }) => beat >= start - EARLY && beat < start + perBar - EARLY)
    .map((note) => ({ ...note, beat: Math.max(1, note.beat - start + 1) }));
}

/** Where a beat lies in its bar, written from 1. */
export function beatText(beat: number): string {
  return String(Math.round(beat * 100) / 100);
}

/** "one more snare on 4.5, no kick on 3" */
export function departureWords(strokes: { piece: string; beat: number; more: boolean }[]): string {
  return strokes.map(({ piece, beat, more }) => `${more ? "one more" : "no"} ${piece} on ${beatText(beat)}`).join(", ");
}

/** What a bar has more or less than its pattern, in notes or strokes. */
export function apartWords(
  strokes: { beat: number; pitch: number | null; more: boolean }[],
  layer: string,
  signature = 0,
): string {
  return departureWords(
    strokes.map(({ beat, pitch, more }) => ({
      piece: pitch === null ? layer : pitchName(pitch, signature),
      beat,
      more,
    })),
  );
}

/** The longest period of a section's pieces, in bars. */
export function longestPeriod(pattern: StepPattern): number {
  return Math.max(1, ...pattern.rows.map((row) => row.period));
}
