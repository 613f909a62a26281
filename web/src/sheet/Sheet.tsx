import { useCallback, useMemo, useRef, useState } from "react";
import type { Analysis, Gap, ReferencePage } from "../api/types";
import { useCommands } from "../app/commands";
import { Failure } from "../components/Notice";
import { stageName } from "../components/Progress";
import { useSize } from "../lib/useSize";
import { AddLayer, AddMark, AddTechnique } from "./AddDialogs";
import { CHANGES_HEIGHT, ChangesRow } from "./ChangesRow";
import { ChordRows } from "./ChordRows";
import { SelectionContext, SheetContext, type Brush } from "./context";
import type { Selection } from "./selection";
import { Drawer } from "./drawer/Drawer";
import { EnergyRow } from "./EnergyRow";
import { gapText } from "./gapText";
import { geometryOf, type Zoom } from "./geometry";
import { KEY_HEIGHT, KeyRow, modulates } from "./KeyRow";
import { GridLines } from "./GridLines";
import { LayerRows, shownLayers } from "./LayerRows";
import { Hints } from "./Hints";
import { Legend } from "./Legend";
import { Playing } from "./Playing";
import { Ruler } from "./Ruler";
import { MARKS_HEIGHT, MarksRow } from "./MarksRow";
import { StaleDialog } from "./StaleDialog";
import { Strip } from "./Strip";
import { stepsHeight, StepsRow } from "./StepsRow";
import { TechniqueLegend, TechniqueRows } from "./TechniqueRows";
import { TEMPO_HEIGHT, TempoRow } from "./TempoRow";
import type { Edits } from "./useEdits";
import { useChosenInView } from "./useChosenInView";
import { useView } from "./useView";
import { useSheetCommands } from "./useSheetCommands";
import { words } from "../words/words";

/** Names of the rows, and the margin right of the last bar. */
const LABELS = 108;
const MARGIN = 16;

interface SheetProps {
  page: ReferencePage;
  analysis: Analysis;
  zoom: Zoom;
  selection: Selection | null;
  select: (selection: Selection | null) => void;
  edits: Edits;
}

export function Sheet({ page, analysis, zoom, selection, select, edits }: SheetProps) {
  const [brush, setBrush] = useState<Brush>(3);
  const [adding, setAdding] = useState<"layer" | "technique" | "mark" | null>(null);
  const [editing, setEditing] = useState(0);
  const area = useRef<HTMLDivElement>(null);
  // A card beside the sheet takes room from it, and the picture fits what is left.
  const size = useSize(area, { width: 960, height: 480 });
  const rows = analysis.layers.length + shownLayers(analysis, selection).length;
  const moving = !analysis.tempo.constant && analysis.tempo.bpm !== null;
  const extra =
    (moving ? TEMPO_HEIGHT : 0) +
    (modulates(analysis) ? KEY_HEIGHT : 0) +
    stepsHeight(analysis, zoom === "bar") +
    (analysis.marks.length > 0 ? MARKS_HEIGHT : 0);
  const width = Math.max(320, size.width - LABELS - MARGIN);
  const height = size.height - extra - CHANGES_HEIGHT;
  const geometry = useMemo(
    () => geometryOf(analysis, { width, height, rows }, zoom),
    [analysis, width, height, rows, zoom],
  );
  const { view, onScroll } = useView(area, geometry);
  useCommands(
    useSheetCommands({
      analysis,
      selection,
      select,
      edits,
      add: setAdding,
      edit: () => setEditing((count) => count + 1),
    }),
  );

  const keepInView = useCallback(
    (x: number) => {
      const box = area.current;
      if (!box || zoom === "song") return;
      const shown = box.clientWidth - LABELS;
      if (x < box.scrollLeft || x > box.scrollLeft + shown * 0.92) box.scrollLeft = x - shown * 0.08;
    },
    [zoom],
  );

  useChosenInView(area, selection);

  const sheet = useMemo(
    () => ({ page, analysis, geometry, view, select, brush, setBrush, edits, editing }),
    [page, analysis, geometry, view, select, brush, edits, editing],
  );

  return (
    <SheetContext value={sheet}>
      <SelectionContext value={selection}>
        <Strip />
        <Hints />
        <Derivation page={page} />
        <Untold gaps={analysis.gaps} />
        {edits.error && (
          <div className="shrink-0 border-b border-rule bg-sheet px-4 py-1.5">
            <Failure
              error={edits.error}
              action={
                <button type="button" className="underline" onClick={edits.dismiss}>
                  Dismiss
                </button>
              }
            />
          </div>
        )}
        <div className="relative flex min-h-0 grow">
          <div className="flex min-w-0 grow flex-col bg-sheet">
            <div
              ref={area}
              onScroll={onScroll}
              className="relative min-h-0 grow overflow-auto scroll-quiet"
              data-testid="sheet"
            >
              <div className="relative w-max pt-3 pb-2">
                <GridLines />
                <Ruler />
                <EnergyRow />
                <TempoRow />
                <KeyRow />
                <ChordRows />
                <LayerRows />
                <StepsRow />
                <ChangesRow />
                <MarksRow />
                <TechniqueRows />
                <Playing keepInView={keepInView} />
              </div>
            </div>
            <div className="flex shrink-0 items-start justify-between gap-6 border-t border-faint py-2 pr-4 pl-4 max-small:hidden">
              <TechniqueLegend />
              <Legend
                onAddLayer={() => setAdding("layer")}
                onAddTechnique={() => setAdding("technique")}
                onAddMark={() => setAdding("mark")}
              />
            </div>
          </div>
          <Drawer />
        </div>
        <AddLayer open={adding === "layer"} onClose={() => setAdding(null)} />
        <AddTechnique open={adding === "technique"} onClose={() => setAdding(null)} />
        <AddMark open={adding === "mark"} onClose={() => setAdding(null)} />
        {edits.stale && <StaleDialog stale={edits.stale} />}
      </SelectionContext>
    </SheetContext>
  );
}

/** What this analysis could not tell, and why. */
function Untold({ gaps }: { gaps: Gap[] }) {
  if (gaps.length === 0) return null;
  return (
    <p role="status" className="shrink-0 border-b border-rule bg-sheet px-4 py-1.5 text-conflict">
      {gapText(gaps)}
    </p>
  );
}

/** What was put right is being worked in, or could not be. */
function Derivation({ page }: { page: ReferencePage }) {
  const run = page.derivation;
  if (run?.state === "failed")
    return (
      <p role="alert" className="shrink-0 border-b border-rule bg-sheet px-4 py-1.5 text-conflict">
        Your correction could not be applied: {run.error}
      </p>
    );
  if (!run || run.state === "done") return null;
  return (
    <p role="status" className="shrink-0 border-b border-rule bg-sheet px-4 py-1.5 text-ink-2">
      {words.reanalysing}: {run.stage ? stageName(run.stage) : "waiting"}
    </p>
  );
}
