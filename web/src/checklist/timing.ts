/** The clock of an item: how long it has run, and what is left in its box. */

import type { Item } from "../api/types";

type Timed = Pick<Item, "spent" | "started_at" | "minutes" | "extra">;

/** Seconds that were worked on it until a moment, what runs now included. */
export function spentSeconds(item: Timed, now: number): number {
  const running = item.started_at === null ? 0 : Math.max(0, (now - Date.parse(item.started_at)) / 1000);
  return item.spent + running;
}

/** Seconds that are left in its box; below 0 when it is over. */
export function leftSeconds(item: Timed, now: number): number {
  return (item.minutes + item.extra) * 60 - spentSeconds(item, now);
}

/** What a box is lengthened by: half of what it had, five minutes at least. */
export function moreMinutes(item: Pick<Item, "minutes">): number {
  return Math.max(5, Math.round(item.minutes / 2));
}
