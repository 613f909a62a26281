/** What opened and what changed, for who can't see it; and whether the last thing that was used was a key. */

type Listener = (words: string) => void;

const listeners = new Set<Listener>();
let input: "key" | "pointer" = "pointer";
let focusedBy: "key" | "pointer" = "pointer";

export function announce(words: string): void {
  for (const listener of listeners) listener(words);
}

export function hear(listener: Listener): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export const lastInput = () => input;

/** Whether what has the focus was reached by key; what was clicked has it, too. */
export const focusCameBy = () => focusedBy;

/** Follows which of both is used. */
export function followInput(target: Document): () => void {
  const key = () => {
    input = "key";
  };
  const pointer = () => {
    input = "pointer";
  };
  const focus = (event: FocusEvent) => {
    focusedBy = event.target instanceof Element && event.target.matches(":focus-visible") ? "key" : "pointer";
  };
  target.addEventListener("keydown", key, true);
  target.addEventListener("focusin", focus, true);
  target.addEventListener("pointerdown", pointer, true);
  return () => {
    target.removeEventListener("keydown", key, true);
    target.removeEventListener("focusin", focus, true);
    target.removeEventListener("pointerdown", pointer, true);
  };
}
