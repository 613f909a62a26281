import { useCallback, useEffect, useState } from "react";

const prefix = "draft ";

/** What was typed and not kept yet, or null. A draft that can't be read is none. */
export function readDraft<T>(storage: Pick<Storage, "getItem">, key: string): T | null {
  const text = storage.getItem(prefix + key);
  if (text === null) return null;
  try {
    return JSON.parse(text) as T;
  } catch {
    return null;
  }
}

/** Keeps what is typed beside what is stored, so that it survives a closed card, another page and a restart, until it is kept or dropped. */
export function useDraft<T>(key: string, stored: T) {
  const [draft, setDraft] = useState<T | null>(() => readDraft<T>(localStorage, key));
  useEffect(() => {
    if (draft === null) localStorage.removeItem(prefix + key);
    else localStorage.setItem(prefix + key, JSON.stringify(draft));
  }, [key, draft]);
  const change = useCallback((next: (before: T) => T) => setDraft((before) => next(before ?? stored)), [stored]);
  const drop = useCallback(() => setDraft(null), []);
  return { value: draft ?? stored, typed: draft !== null, change, drop };
}
