import type { Change } from "../api/types";

const KINDS = ["enters", "leaves", "thins", "swells"] as const;

/** The change without what a person struck out. */
export function standing(change: Change): Change {
  const kept = Object.fromEntries(
    KINDS.map((kind) => [kind, change[kind].filter((role) => !change.struck.includes(`${kind}:${role}`))]),
  ) as Pick<Change, (typeof KINDS)[number]>;
  return { ...change, ...kept, hats: change.struck.includes("hats") ? null : change.hats };
}

export interface ChangeLine {
  key: string;
  words: string;
  struck: boolean;
}

const VERBS = { enters: "enters", leaves: "leaves", thins: "thins out", swells: "comes forward" } as const;

/** One line for each thing that changes, struck out or not. */
export function changeLines(change: Change): ChangeLine[] {
  const lines = KINDS.flatMap((kind) =>
    change[kind].map((role) => ({ key: `${kind}:${role}`, words: `${role} ${VERBS[kind]}` })),
  );
  const hats = change.hats ? [{ key: "hats", words: `hats play ${change.hats}` }] : [];
  return [...lines, ...hats].map((line) => ({ ...line, struck: change.struck.includes(line.key) }));
}

/** A change in few signs: how many enter, leave, and whether anything else moves. */
export function changeSigns(change: Change): string {
  const parts = [
    change.enters.length > 0 ? `+${change.enters.length}` : "",
    change.leaves.length > 0 ? `−${change.leaves.length}` : "",
    change.thins.length + change.swells.length > 0 ? "~" : "",
    change.hats === "faster" ? "»" : change.hats === "slower" ? "«" : "",
    change.added.length > 0 ? "✎" : "",
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
    ...change.added.map((added) => added.text),
  ];
}
