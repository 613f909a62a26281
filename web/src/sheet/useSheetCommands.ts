import type { Command } from "../app/commands";
import type { Analysis, Aspect } from "../api/types";
import { usePlayer } from "../player/context";
import { same, type Selection } from "./selection";
import { ASPECTS } from "../api/contract";
import type { Edits } from "./useEdits";

interface Doing {
  analysis: Analysis;
  selection: Selection | null;
  select: (selection: Selection | null) => void;
  edits: Edits;
  add: (what: "layer" | "technique" | "mark") => void;
  edit: () => void;
}

const GROUP = "On the sheet";

/** Items of one row in their order, with the bar where each begins. */
interface Item {
  selection: Selection;
  bar: number;
}

/** What the keys do on a sheet besides what the open card offers. */
export function useSheetCommands({ analysis, selection, select, edits, add, edit }: Doing): Command[] {
  const player = usePlayer();
  const rows = rowsOf(analysis);
  const here = () => Math.max(1, player.barAt(player.time));
  const place = () => {
    for (const [row, items] of rows.entries()) {
      const index = items.findIndex((item) => same(selection, item.selection));
      if (index >= 0) return { row, index };
    }
    return null;
  };

  /** To the item before or after in the same row. */
  const along = (by: number) => {
    const at = place();
    const items = rows[at?.row ?? 0] ?? [];
    const index = at ? Math.min(items.length - 1, Math.max(0, at.index + by)) : nearest(items, here());
    const item = items[index];
    if (item) select(item.selection);
  };

  /** To the row above or below, at the same bar. */
  const across = (by: number) => {
    const at = place();
    const bar = at ? (rows[at.row]?.[at.index]?.bar ?? here()) : here();
    let row = at ? at.row + by : 0;
    while (rows[row]?.length === 0) row += by;
    const items = rows[row];
    const item = items?.[nearest(items, bar)];
    if (item) select(item.selection);
  };

  const readings = ASPECTS.map((aspect: Aspect, index) => ({
    key: String(index + 1),
    name: aspect,
    group: "Readings",
    run: () => select({ kind: "reading" as const, aspect }),
  }));
  return [
    ...readings,
    { key: "ArrowUp", name: "to the row above", group: GROUP, run: () => across(-1) },
    { key: "ArrowDown", name: "to the row below", group: GROUP, run: () => across(1) },
    { key: ",", name: "to the one before in the row", group: GROUP, run: () => along(-1) },
    { key: ".", name: "to the next in the row", group: GROUP, run: () => along(1) },
    { key: "e", name: "write your own in its place", group: GROUP, run: edit },
    { key: "a", name: "add a layer that you hear", group: GROUP, run: () => add("layer") },
    { key: "t", name: "note a technique", group: GROUP, run: () => add("technique") },
    { key: "m", name: "pin a mark", group: GROUP, run: () => add("mark") },
    { key: "f", name: "stems and MIDI", group: GROUP, run: () => select({ kind: "sources" }) },
    { key: "q", name: "what is to settle", group: GROUP, run: () => select({ kind: "settle" }) },
    { key: "y", name: "all changes to this sheet", group: GROUP, run: () => select({ kind: "journal" }) },
    { key: "Mod+z", name: "undo", group: GROUP, run: edits.undo },
    { key: "Mod+Shift+z", name: "redo", group: GROUP, run: edits.redo },
    { key: "Escape", name: "close the card", group: GROUP, run: () => select(null) },
  ];
}

function nearest(items: Item[], bar: number): number {
  return Math.max(
    0,
    items.findLastIndex((item) => item.bar <= bar),
  );
}

function rowsOf(analysis: Analysis): Item[][] {
  const layer = (selection: Selection): Item[] => [{ selection, bar: 1 }];
  return [
    analysis.sections.map((section) => ({ selection: { kind: "section", at: section.start }, bar: section.first_bar })),
    analysis.chords.map((chord) => ({ selection: { kind: "chord", at: chord.start }, bar: chord.bar })),
    ...analysis.layers.map((one) => layer({ kind: "layer", name: one.name })),
    ...analysis.heard_layers.map((one) => layer({ kind: "ownLayer", id: one.reading_id })),
    analysis.changes.map((change) => ({ selection: { kind: "change", bar: change.bar }, bar: change.bar })),
    analysis.marks.map((mark) => ({ selection: { kind: "mark", id: mark.reading_id }, bar: mark.first_bar })),
    analysis.techniques.map((sighting) => ({
      selection: { kind: "technique", technique: sighting.kind },
      bar: sighting.first_bar,
    })),
  ];
}
