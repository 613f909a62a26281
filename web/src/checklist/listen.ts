/** What of the reference an item is about: the bars, and the part of the sound in which it is heard best. */

import type { Item } from "../api/types";
import type { Isolation } from "../player/isolation";
import type { BarRun } from "../player/state";

const BANDS: Record<string, Isolation> = {
  bass: "low end",
  kick: "low end",
  snare: "middle",
  hats: "top",
  percussion: "top",
  lead: "middle",
  vocal: "centre",
};

/** The first place that it names; null where it is about all of the song. */
export function placeOf(item: Pick<Item, "targets" | "about">): BarRun | null {
  const place = item.targets.find((target) => target.first_bar !== undefined);
  if (place?.first_bar !== undefined)
    return { first: place.first_bar, last: place.first_bar + Math.max(1, place.bars ?? 1) - 1 };

  const bar = Number(/^section:(\d+)$/.exec(item.about ?? "")?.[1]);
  return Number.isInteger(bar) && bar > 0 ? { first: bar, last: bar } : null;
}

export function bandOf(item: Pick<Item, "targets" | "about">): Isolation {
  const roles = [...new Set(item.targets.map((target) => target.role).filter((role) => role !== undefined))];
  return (roles.length === 1 && BANDS[roles[0] ?? ""]) || "whole";
}
