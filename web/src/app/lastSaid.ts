import { useSyncExternalStore } from "react";

/** Something that is said in one place of the page, whoever says it: the last of it, until it is replaced or withdrawn with null. */
export function lastSaid<T>(): [say: (said: T | null) => void, useSaid: () => T | null] {
  let last: T | null = null;
  const listeners = new Set<() => void>();
  const listen = (listener: () => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  };
  return [
    (said) => {
      last = said;
      for (const listener of listeners) listener();
    },
    () => useSyncExternalStore(listen, () => last),
  ];
}
