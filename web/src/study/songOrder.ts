import type { ReferenceRow } from "../api/types";

/** What a list of songs can be sorted by. */
export const ORDERS = [
  { value: "position", name: "order" },
  { value: "title", name: "title" },
  { value: "tempo", name: "tempo" },
  { value: "key", name: "key" },
  { value: "bars", name: "length" },
  { value: "lufs", name: "loudness" },
  { value: "sure", name: "least sure first" },
] as const;

export type Order = (typeof ORDERS)[number]["value"];

const LAST = Number.POSITIVE_INFINITY;

const figures: Record<Exclude<Order, "title" | "key">, (row: ReferenceRow) => number> = {
  position: (row) => row.position,
  tempo: (row) => row.summary?.bpm ?? LAST,
  bars: (row) => row.summary?.bars ?? LAST,
  lufs: (row) => row.summary?.lufs ?? LAST,
  sure: (row) => (row.summary ? Math.min(row.summary.sure.tempo, row.summary.sure.key) : LAST),
};

/** Songs whose title, artist, key, meter or words hold all that is written, in an order. */
export function shownSongs(rows: ReferenceRow[], filter: string, order: Order): ReferenceRow[] {
  const parts = filter.toLocaleLowerCase().split(/\s+/).filter(Boolean);
  const kept = rows.filter((row) => parts.every((part) => textOf(row).includes(part)));
  return [...kept].sort((a, b) => compare(a, b, order) || a.position - b.position);
}

function textOf({ title, artist, summary, words, standing }: ReferenceRow): string {
  const all = [title, artist, summary?.key, summary?.meter, standing, ...words.map((word) => word.text)];
  return all.filter(Boolean).join(" ").toLocaleLowerCase();
}

function compare(a: ReferenceRow, b: ReferenceRow, order: Order): number {
  if (order === "title") return a.title.localeCompare(b.title);
  if (order === "key") return byKey(a.summary?.key, b.summary?.key);
  const [one, other] = [figures[order](a), figures[order](b)];
  return one === other ? 0 : one - other;
}

/** Songs without a key come last. */
function byKey(a: string | null | undefined, b: string | null | undefined): number {
  return a && b ? a.localeCompare(b) : Number(!a) - Number(!b);
}
