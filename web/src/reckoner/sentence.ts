/** A sentence with blanks as its parts: words, and names of blanks. */

import type { Calculator, Reckoned } from "../api/types";

export type SentencePart = { words: string } | { blank: string };

export function partsOf(sentence: string): SentencePart[] {
  return sentence
    .split(/(\{\w+\})/)
    .filter((part) => part !== "")
    .map((part) => {
      const name = /^\{(\w+)\}$/.exec(part)?.[1];
      return name ? { blank: name } : { words: part };
    });
}

/** Blanks that the sentence does not name: they stand behind it. */
export function unnamed({ sentence, blanks }: Calculator): string[] {
  return blanks.map((blank) => blank.name).filter((name) => !sentence.includes(`{${name}}`));
}

/** What stands in the blanks at first: what is known of a song, else what is usual. */
export function firstWords({ blanks }: Calculator, known: Record<string, string> = {}): Record<string, string> {
  return Object.fromEntries(blanks.map((blank) => [blank.name, known[blank.name] ?? blank.usual ?? ""]));
}

/** The open blank that is to be worked out when another one is filled: the one that was, or the one that was filled longest ago. */
export function emptied(
  calculator: Calculator,
  written: Record<string, string>,
  name: string,
  text: string,
  order: string[],
): Record<string, string> {
  const next = { ...written, [name]: text };
  const open = calculator.blanks.filter((blank) => blank.open).map((blank) => blank.name);
  if (!open.includes(name) || text.trim() === "" || open.some((other) => next[other]?.trim() === "")) return next;
  const oldest = [...open].filter((other) => other !== name).sort((a, b) => order.indexOf(a) - order.indexOf(b))[0];
  return oldest ? { ...next, [oldest]: "" } : next;
}

/** As it is copied and pinned. */
export function asText({ lines }: Reckoned): string {
  return lines.map(({ name, figure, note }) => `${name}: ${figure}${note && ` (${note})`}`).join("\n");
}
