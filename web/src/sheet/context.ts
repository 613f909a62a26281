import { createContext, use } from "react";
import type { Analysis, Aspect, Reading, ReferencePage } from "../api/types";
import type { BarRun } from "../player/Player";
import type { Geometry } from "./geometry";
import type { Selection } from "./selection";
import type { Edits } from "./useEdits";

/** Absent, thin or full. */
export type Brush = 0 | 1 | 3;

export interface SheetState {
  page: ReferencePage;
  analysis: Analysis;
  geometry: Geometry;
  /** The bars that are drawn: what is in view, and some more on each side. */
  view: BarRun;
  select: (selection: Selection | null) => void;
  brush: Brush;
  setBrush: (brush: Brush) => void;
  edits: Edits;
  /** The field that the E key opens; grows with each press. */
  editing: number;
}

export const SheetContext = createContext<SheetState | null>(null);

/** What is selected, apart from the rest, so that only what shows it is drawn anew when it changes. */
export const SelectionContext = createContext<Selection | null>(null);

export function useSelection(): Selection | null {
  return use(SelectionContext);
}

export function useSheet(): SheetState {
  const sheet = use(SheetContext);
  if (!sheet) throw new Error("useSheet needs a SheetContext");
  return sheet;
}

/** Whether a run of bars is drawn. */
export function inView(view: BarRun, first: number, last = first): boolean {
  return last >= view.first && first <= view.last;
}

export function currentReading(page: ReferencePage, aspect: Aspect): Reading | undefined {
  const id = page.current[aspect];
  return page.readings.find((reading) => reading.id === id);
}
