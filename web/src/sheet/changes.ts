import type { Change } from "../api/types";

/** A change in few signs: how many enter, leave, and whether anything else moves. */
export function changeSigns(change: Change): string {
  const parts = [
    change.enters.length > 0 ? `+${change.enters.length}` : "",
    change.leaves.length > 0 ? `−${change.leaves.length}` : "",
    change.thins.length + change.swells.length > 0 ? "~" : "",
    change.hats === "faster" ? "»" : change.hats === "slower" ? "«" : "",
  ];
  return parts.filter(Boolean).join(" ");
}

/** The same in words, one clause a kind. */
export function changeWords(change: Change): string[] {
  const list = (roles: string[], verb: string, verbs: string) =>
    roles.length > 0 ? [`${roles.join(", ")} ${roles.length > 1 ? verbs : verb}`] : [];
  return [
    ...list(change.enters, "enters", "enter"),
    ...list(change.leaves, "leaves", "leave"),
    ...list(change.thins, "thins out", "thin out"),
    ...list(change.swells, "comes forward", "come forward"),
    ...(change.hats ? [`hats play ${change.hats}`] : []),
  ];
}
