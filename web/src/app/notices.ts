import { useSyncExternalStore } from "react";

/** What was just done, with what takes it back. */
export interface Done {
  message: string;
  undo: () => unknown;
}

let last: Done | null = null;
const listeners = new Set<() => void>();

/** Says what was done, and offers to undo it, until something else is done or it is dismissed. */
export function tellDone(done: Done | null): void {
  last = done;
  for (const listener of listeners) listener();
}

export function useDone(): Done | null {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => last,
  );
}
