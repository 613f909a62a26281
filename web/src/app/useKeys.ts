import { useEffect, useRef } from "react";
import { focusCameBy } from "./live";

export type KeyMap = Record<string, (event: KeyboardEvent) => void>;

/** These are worked by keys however they were reached. */
const KEEPS_KEYS = "[role=checkbox], [role=radio], [role=slider], summary";
const TYPING = "input, textarea, select, [contenteditable]";

/** Keys that act on the page, by name ("Space", "l", "Shift+ArrowLeft", "Mod+z"); silent while somebody types or a dialog is open. */
export function useKeys(keys: KeyMap): void {
  const latest = useRef(keys);
  useEffect(() => {
    latest.current = keys;
  });
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.defaultPrevented || event.altKey) return;
      const target = event.target instanceof Element ? event.target : null;
      if (target?.closest(TYPING) || document.querySelector("[role=dialog]")) return;
      const name = nameOf(event);
      // Space, Enter and arrows belong to what was reached by key; what was clicked keeps the focus, but not the keys.
      const reached = focusCameBy() === "key" ? target : null;
      const own = target?.closest(KEEPS_KEYS) ?? null;
      if ((name === "Space" || name === "Enter") && (own ?? reached?.closest("button, a"))) return;
      if (name.includes("Arrow") && (own ?? reached?.closest("[role=group], [role=radiogroup]"))) return;
      const act = latest.current[name];
      if (!act) return;
      event.preventDefault();
      act(event);
    };
    document.addEventListener("keydown", press);
    return () => document.removeEventListener("keydown", press);
  }, []);
}

/** Mod is Ctrl, or the command key where there is one. */
export function nameOf(event: KeyboardEvent): string {
  const name = event.key === " " ? "Space" : event.key.length === 1 ? event.key.toLowerCase() : event.key;
  const mod = event.ctrlKey || event.metaKey;
  const shifted = event.shiftKey && (name.length > 1 || mod);
  return `${mod ? "Mod+" : ""}${shifted ? "Shift+" : ""}${name}`;
}
