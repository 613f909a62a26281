/** The other song of a pair, as it lies on the bars of the one that leads. */

import type { Stretch } from "./PlayClock";

export type Side = "reference" | "attempt";
/** Whose tempo and key both are heard in; each in its own means: in those of the one that is heard. */
export type Fit = Side | "own";

export interface Twin {
  /** The reference that holds its sound. */
  id: number;
  /** By bar of the leading song; null where it has none. */
  bars: (Stretch | null)[];
  /** By how many semitones it lies higher. */
  semitones: number;
}

/** A stretch of the leading song, and what of the other one sounds meanwhile, both in their own seconds. */
export interface Passage {
  lead: Stretch;
  other: Stretch;
}

/** So far (seconds) may a bar be from where an even passage would have it. */
const EVEN = 0.012;

/** Bars that follow each other in both songs, as far as both keep an even pace. */
export function passagesOf(lead: Stretch[], other: (Stretch | null)[]): Passage[] {
  const passages: Passage[] = [];
  lead.forEach((bar, index) => {
    const mine = other[index];
    if (!mine) return;
    const last = passages.at(-1);
    if (last && follows(last, bar, mine)) {
      last.lead = { start: last.lead.start, end: bar.end };
      last.other = { start: last.other.start, end: mine.end };
    } else passages.push({ lead: { ...bar }, other: { ...mine } });
  });
  return passages;
}

function follows({ lead, other }: Passage, bar: Stretch, mine: Stretch): boolean {
  if (Math.abs(bar.start - lead.end) > EVEN || Math.abs(mine.start - other.end) > EVEN) return false;
  const expected = mine.start + (bar.end - bar.start) * paceOf({ lead, other });
  return Math.abs(expected - mine.end) <= EVEN;
}

/** Seconds of the other song to one of the leading one. */
export function paceOf({ lead, other }: Passage): number {
  return (other.end - other.start) / (lead.end - lead.start);
}

/** What of both is still to come from a moment of the leading song on, up to another. */
export function within(passages: Passage[], from: number, to: number): Passage[] {
  return passages.flatMap((passage) => {
    const start = Math.max(passage.lead.start, from);
    const end = Math.min(passage.lead.end, to);
    if (end - start < 1e-3) return [];
    const at = (moment: number) => passage.other.start + (moment - passage.lead.start) * paceOf(passage);
    return [{ lead: { start, end }, other: { start: at(start), end: at(end) } }];
  });
}

/** Over all that both have: how much faster the other song is. */
export function ratioOf(passages: Passage[]): number {
  const sum = (part: (passage: Passage) => Stretch) =>
    passages.reduce((seconds, passage) => seconds + part(passage).end - part(passage).start, 0);
  const other = sum((passage) => passage.other);
  return other > 0 ? sum((passage) => passage.lead) / other : 1;
}
