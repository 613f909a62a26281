/** How sure what an item asks for is, in the mean of what it was measured by; null where a person wrote it, or nobody said. */

import type { Item } from "../api/types";

export function surenessOf(item: Pick<Item, "targets" | "own">): number | null {
  const known = item.targets.flatMap((target) => (target.confidence === undefined ? [] : [target.confidence]));
  if (item.own || known.length === 0) return null;
  return known.reduce((sum, confidence) => sum + confidence, 0) / known.length;
}
