import { useSyncExternalStore } from "react";

/** The last thing that failed and has no place of its own to say so. */
let last: string | null = null;
const listeners = new Set<() => void>();

export function tellFailure(message: string | null): void {
  last = message;
  for (const listener of listeners) listener();
}

export function useFailure(): string | null {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => last,
  );
}
