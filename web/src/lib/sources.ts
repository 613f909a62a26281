import type { LayerSource } from "../api/types";

const NAMES: Record<LayerSource, string> = {
  mix: "measured on the mix",
  stem: "measured on its stem",
  midi: "read from the MIDI file",
};

export function toldBy(source: LayerSource): string {
  return NAMES[source];
}

/** The short mark beside a name; the mix needs none. */
export function sourceMark(source: LayerSource | "heard"): string | null {
  return source === "stem" ? "stem" : source === "midi" ? "MIDI" : null;
}
