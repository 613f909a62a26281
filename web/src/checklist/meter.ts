/** Beats to the bar of the song that a list is about; four where it does not say. */

import { BEATS } from "../api/contract";
import type { Item } from "../api/types";

export function beatsOf(items: Pick<Item, "targets">[]): number {
  const meter = items.flatMap((item) => item.targets).find((target) => target.measure === "time.meter")?.value;
  return (typeof meter === "string" && BEATS[meter]) || 4;
}
