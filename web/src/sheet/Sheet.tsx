import { useCallback, useRef, useState } from "react";
import type { Analysis, Aspect, ReferencePage } from "../api/types";
import { useKeys } from "../app/useKeys";
import { useSize } from "../lib/useSize";
import { AddLayer, AddTechnique } from "./AddDialogs";
import { CHANGES_HEIGHT, ChangesRow } from "./ChangesRow";
import { ChordRows } from "./ChordRows";
import { SheetContext, type Brush, type Selection } from "./context";
import { Drawer } from "./drawer/Drawer";
import { EnergyRow } from "./EnergyRow";
import { geometryOf, type Zoom } from "./geometry";
import { KEY_HEIGHT, KeyRow, modulates } from "./KeyRow";
import { GridLines } from "./GridLines";
import { LayerRows } from "./LayerRows";
import { Legend } from "./Legend";
import { Playing } from "./Playing";
import { Ruler } from "./Ruler";
import { ASPECTS, Strip } from "./Strip";
import { STEPS_HEIGHT, StepsRow } from "./StepsRow";
import { TechniqueLegend, TechniqueRows } from "./TechniqueRows";
import { TEMPO_HEIGHT, TempoRow } from "./TempoRow";

/** Names of the rows, and the margin right of the last bar. */
const LABELS = 108;
const MARGIN = 16;

interface SheetProps {
  page: ReferencePage;
  analysis: Analysis;
  zoom: Zoom;
  firstAspect: Aspect | null;
}

export function Sheet({ page, analysis, zoom, firstAspect }: SheetProps) {
  const [selection, select] = useState<Selection | null>(firstAspect && { kind: "reading", aspect: firstAspect });
  const [brush, setBrush] = useState<Brush>(3);
  const [adding, setAdding] = useState<"layer" | "technique" | null>(null);
  const area = useRef<HTMLDivElement>(null);
  const size = useSize(area, { width: 960, height: 480 });
  const rows = analysis.layers.length + page.readings.filter((reading) => reading.aspect === "layer").length;
  const moving = !analysis.tempo.constant && analysis.tempo.bpm !== null;
  const extra =
    (moving ? TEMPO_HEIGHT : 0) +
    (modulates(analysis) ? KEY_HEIGHT : 0) +
    (analysis.drums.length > 0 ? STEPS_HEIGHT : 0);
  const room = {
    width: Math.max(320, size.width - LABELS - MARGIN),
    height: size.height - extra - CHANGES_HEIGHT,
    rows,
  };
  const geometry = geometryOf(analysis, room, zoom);
  useKeys({
    ...Object.fromEntries(
      ASPECTS.map((aspect, index) => [String(index + 1), () => select({ kind: "reading", aspect })]),
    ),
    a: () => setAdding("layer"),
    t: () => setAdding("technique"),
    Escape: () => select(null),
  });

  const keepInView = useCallback(
    (x: number) => {
      const box = area.current;
      if (!box || zoom === "song") return;
      const shown = box.clientWidth - LABELS;
      if (x < box.scrollLeft || x > box.scrollLeft + shown * 0.92) box.scrollLeft = x - shown * 0.08;
    },
    [zoom],
  );

  return (
    <SheetContext value={{ page, analysis, geometry, selection, select, brush, setBrush }}>
      <Strip />
      <div className="relative flex min-h-0 grow">
        <div className="flex min-w-0 grow flex-col bg-sheet">
          <div ref={area} className="relative min-h-0 grow overflow-auto scroll-quiet" data-testid="sheet">
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
              <TechniqueRows />
              <Playing keepInView={keepInView} />
            </div>
          </div>
          <div className="flex shrink-0 items-start justify-between gap-6 border-t border-faint py-2 pr-4 pl-4">
            <TechniqueLegend />
            <Legend onAddLayer={() => setAdding("layer")} onAddTechnique={() => setAdding("technique")} />
          </div>
        </div>
        <Drawer />
      </div>
      <AddLayer open={adding === "layer"} onClose={() => setAdding(null)} />
      <AddTechnique open={adding === "technique"} onClose={() => setAdding(null)} />
    </SheetContext>
  );
}
