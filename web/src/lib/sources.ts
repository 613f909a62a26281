import type { Layer, LayerSource } from "../api/types";

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

/** Less than this is a doubt. */
const DOUBT = 0.5;

/** What stands beside the name of a layer: what tells of it, or that it may as well not be there. */
export function layerMark(layer: Pick<Layer, "source" | "confidence">): string | null {
  return sourceMark(layer.source) ?? (layer.confidence < DOUBT ? "perhaps" : null);
}
