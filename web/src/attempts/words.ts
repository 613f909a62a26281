/** How things about attempts are said. */

import type { AttemptVerdict, Closeness, Difference } from "../api/types";
import { listed } from "../lib/format";

export const CLOSENESS: Closeness[] = ["exact", "close", "ballpark", "missing"];

export function sentence(difference: Difference): string {
  return difference.doubtful ? `Perhaps: ${difference.words}` : difference.words;
}

/** Bars as a list says them: "17–24, 28", or "whole song". */
export function places(bars: [number, number][]): string {
  if (bars.length === 0) return "whole song";
  return bars.map(([first, last]) => (first === last ? String(first) : `${first}–${last}`)).join(", ");
}

/** In a word or two what a difference is about. */
export function about({ kind, role, technique }: Difference): string {
  return [...(role ? [role] : []), (technique ?? kind).replaceAll("_", " ")].join(", ");
}

/** The layer in whose row a difference is drawn. */
export function rowOf({ kind, role }: Difference): string | undefined {
  return kind === "bass_octave" ? "bass" : role;
}

const RANK: Record<string, number> = { exact: 0, close: 1, substituted: 1, ballpark: 2, missing: 3 };

/** Whether an item came closer (1), drifted away (−1) or stayed between two attempts. */
export function trend(before: Closeness | null | undefined, now: Closeness | null | undefined): -1 | 0 | 1 {
  if (!before || !now) return 0;
  return Math.sign((RANK[before] ?? 0) - (RANK[now] ?? 0)) as -1 | 0 | 1;
}

export const TREND: Record<-1 | 0 | 1, { mark: string; words: string }> = {
  1: { mark: "▲", words: "closer than before" },
  0: { mark: "", words: "" },
  [-1]: { mark: "▽", words: "further than before" },
};

export function verdictWords(verdict: AttemptVerdict | undefined): string {
  if (!verdict) return "";
  if (!verdict.closeness) return "by ear";
  return verdict.overruled === null ? verdict.closeness : `${verdict.closeness}, you say`;
}

/** What was read again, in words. */
export function settledWords(settled: { bpm?: number; meter?: string; first_downbeat?: number }): string | null {
  const parts = [
    ...(settled.bpm === undefined ? [] : [`counted at ${settled.bpm.toFixed(2)} BPM`]),
    ...(settled.meter === undefined ? [] : [`in ${settled.meter}`]),
    ...(settled.first_downbeat === undefined ? [] : [`from ${settled.first_downbeat.toFixed(2)} s`]),
  ];
  return parts.length === 0 ? null : `${listed(parts)}, as the reference is`;
}
