import type { Gap } from "../api/types";

/** What could not be told, and what a person asked for that could not be followed, as sentences. */
export function gapText(gaps: Gap[]): string {
  const failed = gaps.filter((gap) => gap.reason === null).map((gap) => gap.what);
  const sentences = gaps.flatMap((gap) =>
    gap.reason === null ? [] : [`Could not be followed: ${gap.what}; ${gap.reason}.`],
  );
  if (failed.length > 0)
    sentences.unshift(`Not told here: ${failed.join("; ")}. The engine failed there; everything else stands.`);
  return sentences.join(" ");
}
