/** Everything that can be done from the keyboard, by name: keys, the palette and the list of keys come from the same place. */

import { createContext, use, useEffect, useRef, useSyncExternalStore } from "react";
import { keyFor, keymapNow, watchKeymap } from "./keymap";
import { useKeys } from "./useKeys";

export interface Command {
  name: string;
  group: string;
  /** As useKeys names it; none for what only the palette offers. */
  key?: string;
  run: (event?: KeyboardEvent) => void;
}

export class CommandRegistry {
  private readonly sources = new Set<() => Command[]>();

  add(source: () => Command[]): () => void {
    this.sources.add(source);
    return () => this.sources.delete(source);
  }

  all(): Command[] {
    return [...this.sources].flatMap((source) => source());
  }
}

export const CommandContext = createContext(new CommandRegistry());

export function useCommandRegistry(): CommandRegistry {
  return use(CommandContext);
}

/** Offers these commands while the caller is on the page. */
export function useCommands(commands: Command[]): void {
  const registry = useCommandRegistry();
  const latest = useRef(commands);
  useEffect(() => {
    latest.current = commands;
  });
  useEffect(() => registry.add(() => latest.current), [registry]);
  useSyncExternalStore(watchKeymap, keymapNow);
  useKeys(
    Object.fromEntries(
      commands.flatMap((command) => {
        const key = command.key && keyFor(command.key);
        return key ? [[key, command.run]] : [];
      }),
    ),
  );
}

const WORDS: Record<string, string> = {
  Shift: "⇧",
  Mod: "Ctrl",
  ArrowLeft: "←",
  ArrowRight: "→",
  ArrowUp: "↑",
  ArrowDown: "↓",
  Escape: "Esc",
};

/** A key as people read it, "Shift+ArrowLeft" as "⇧ ←"; where a person chose another one, that. */
export function keyWords(usual: string): string {
  const key = keyFor(usual);
  if (key === null) return "off";
  const parts = key === "+" ? ["+"] : key.split("+");
  return parts.map((part) => WORDS[part] ?? (part.length === 1 ? part.toUpperCase() : part.toLowerCase())).join(" ");
}
