import type { Analysis } from "../api/types";
import type { Selection } from "./context";

/** What on the sheet a checklist's item rests on: "layer:bass", "technique:pedal", "section:9" (its first bar), "mark:12". */
export function aboutOf(about: string, analysis: Analysis): Selection | null {
  const [kind = "", ...rest] = about.split(":");
  const name = rest.join(":");
  switch (kind) {
    case "layer": {
      if (analysis.layers.some((layer) => layer.name === name)) return { kind: "layer", name };
      const own = analysis.heard_layers.find((layer) => layer.name === name);
      return own ? { kind: "ownLayer", id: own.reading_id } : null;
    }
    case "technique":
      return analysis.techniques.some((sighting) => sighting.kind === name)
        ? { kind: "technique", technique: name }
        : null;
    case "section": {
      const index = analysis.sections.findIndex((section) => section.first_bar === Number(name));
      return index < 0 ? null : { kind: "section", index };
    }
    case "mark":
      return analysis.marks.some((mark) => mark.reading_id === Number(name))
        ? { kind: "mark", id: Number(name) }
        : null;
    default:
      return null;
  }
}
