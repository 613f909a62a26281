/** Keys as a person likes them: switched off, or others than the usual ones. */

interface Keymap {
  on: boolean;
  /** By the usual key the one of one's own. */
  own: Record<string, string>;
}

let keymap: Keymap = { on: true, own: {} };
const listeners = new Set<() => void>();

export function setKeymap(next: Keymap): void {
  keymap = next;
  listeners.forEach((listener) => listener());
}

export function watchKeymap(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export const keymapNow = (): Keymap => keymap;

/** The key that does what the usual key does; none where single keys are switched off. Keys with Ctrl stay: nobody types them by accident. */
export function keyFor(usual: string): string | null {
  const key = keymap.own[usual] ?? usual;
  return keymap.on || key.startsWith("Mod+") ? key : null;
}
