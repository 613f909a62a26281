import { ASPECTS, type Analysis, type Aspect } from "../api/contract";

/**
 * What is selected on the sheet, and so explained in the drawer. Each is named by what it is, not by its place in a list: sections and chords by the
 * second at which they begin, so that the same one stays selected when others are split off, merged or counted anew.
 */
export type Selection =
  | { kind: "reading"; aspect: Aspect }
  | { kind: "section"; at: number }
  | { kind: "chord"; at: number }
  | { kind: "change"; bar: number }
  | { kind: "layer"; name: string }
  | { kind: "ownLayer"; id: number }
  | { kind: "technique"; technique: string }
  | { kind: "ownTechnique"; id: number }
  | { kind: "mark"; id: number }
  | { kind: "settle" }
  | { kind: "journal" }
  | { kind: "sources" };

/** Times are rounded: what begins this close to a second begins there. */
const NEAR = 0.002;

export function same(a: Selection | null, b: Selection): boolean {
  return a !== null && a.kind === b.kind && toAddress(a) === toAddress(b);
}

/** The place in its list of what holds at a second; none where nothing does. */
export function indexAt(spans: { start: number; end: number }[], at: number): number {
  return spans.findIndex((span) => at >= span.start - NEAR && at < span.end - NEAR);
}

/** As it stands in an address. */
export function toAddress(selection: Selection): string {
  switch (selection.kind) {
    case "reading":
      return `reading:${selection.aspect}`;
    case "section":
    case "chord":
      return `${selection.kind}:${selection.at.toFixed(3)}`;
    case "change":
      return `change:${selection.bar}`;
    case "layer":
      return `layer:${selection.name}`;
    case "technique":
      return `technique:${selection.technique}`;
    case "ownLayer":
    case "ownTechnique":
    case "mark":
      return `${selection.kind}:${selection.id}`;
    default:
      return selection.kind;
  }
}

/** What an address selects; null where it says nothing that makes sense. */
export function fromAddress(address: string): Selection | null {
  const [kind = "", ...rest] = address.split(":");
  const name = rest.join(":");
  const figure = name === "" ? NaN : Number(name);
  switch (kind) {
    case "reading": {
      const aspect = ASPECTS.find((candidate) => candidate === name);
      return aspect ? { kind, aspect } : null;
    }
    case "section":
    case "chord":
      return Number.isNaN(figure) ? null : { kind, at: figure };
    case "change":
      return Number.isNaN(figure) ? null : { kind, bar: figure };
    case "layer":
      return name === "" ? null : { kind, name };
    case "technique":
      return name === "" ? null : { kind, technique: name };
    case "ownLayer":
    case "ownTechnique":
    case "mark":
      return Number.isNaN(figure) ? null : { kind, id: figure };
    case "settle":
    case "journal":
    case "sources":
      return { kind };
    default:
      return null;
  }
}

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
      const section = analysis.sections.find((candidate) => candidate.first_bar === Number(name));
      return section ? { kind: "section", at: section.start } : null;
    }
    case "mark":
      return analysis.marks.some((mark) => mark.reading_id === Number(name))
        ? { kind: "mark", id: Number(name) }
        : null;
    default:
      return null;
  }
}
