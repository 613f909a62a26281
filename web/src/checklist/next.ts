import type { Item } from "../api/types";
import type { Standing } from "../attempts/useStandings";

const REACHED = ["exact", "close", "substituted"];

/** What to do next: the first open item that the latest attempt has not reached; where it has reached them all, the first open one. */
export function nextOf(items: Item[], standings: Map<number, Standing>): Item | undefined {
  const open = items.filter((item) => item.state === "open");
  return open.find((item) => !REACHED.includes(standings.get(item.id)?.closeness ?? "")) ?? open[0];
}
