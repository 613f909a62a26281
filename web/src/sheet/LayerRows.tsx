import type { Layer, Reading } from "../api/types";
import { amountStep, inkColour } from "../lib/ink";
import { CellPlot, type Cell } from "./CellPlot";
import { same, useSheet } from "./context";
import { Row } from "./Row";
import { usePainting } from "./usePainting";

const PLAYING = 0.5;
const CHOSEN = "font-medium underline decoration-2 underline-offset-4";

/** One row a role, one cell a bar; density is how much it is there. Hatched rows are a person's. */
export function LayerRows() {
  const { analysis, page } = useSheet();
  const own = page.readings.filter((reading) => reading.aspect === "layer");
  return (
    <>
      {analysis.layers.map((layer) => (
        <MeasuredRow key={layer.role} layer={layer} />
      ))}
      {own.map((reading) => (
        <OwnRow key={reading.id} reading={reading} />
      ))}
    </>
  );
}

function MeasuredRow({ layer }: { layer: Layer }) {
  const { geometry, selection, select } = useSheet();
  const chosen = same(selection, { kind: "layer", role: layer.role });
  const playing = layer.activity.filter((value) => value >= PLAYING).length;
  return (
    <Row
      height={geometry.rowHeight}
      seeks
      label={
        <button
          type="button"
          aria-pressed={chosen}
          onClick={() => select({ kind: "layer", role: layer.role })}
          className={`h-full w-full truncate text-left text-13 hover:bg-wash ${chosen ? CHOSEN : ""}`}
        >
          {layer.role}
        </button>
      }
    >
      <CellPlot
        label={`${layer.role} plays in ${playing} of ${layer.activity.length} bars`}
        chosen={chosen}
        cells={measuredCells(layer.activity, geometry.perCell)}
      />
    </Row>
  );
}

/** Bars that share a cell share their mean. */
function measuredCells(values: number[], perCell: number): Cell[] {
  return Array.from({ length: Math.ceil(values.length / perCell) }, (_, index) => {
    const part = values.slice(index * perCell, (index + 1) * perCell);
    const mean = part.reduce((sum, value) => sum + value, 0) / part.length;
    const bar = index * perCell + 1;
    return { bar, bars: part.length, fill: inkColour(amountStep(mean)), hint: `bar ${bar}: ${mean.toFixed(2)}` };
  });
}

export function cellsOf(reading: Reading): number[] {
  const value = reading.value?.cells;
  return Array.isArray(value) ? value.map(Number) : [];
}

function OwnRow({ reading }: { reading: Reading }) {
  const { geometry, selection, select } = useSheet();
  const chosen = same(selection, { kind: "ownLayer", id: reading.id });
  const levels = cellsOf(reading);
  const paint = usePainting(reading);
  const cells = paint
    .shown(levels)
    .flatMap((level, index) =>
      level > 0 ? [{ bar: index + 1, bars: 1, fill: `url(#hatch-${level})`, outline: "var(--heard)" }] : [],
    );
  return (
    <Row
      height={geometry.rowHeight}
      label={
        <button
          type="button"
          aria-pressed={chosen}
          title="Heard by you. Drag over its bars to paint where it plays."
          onClick={() => select({ kind: "ownLayer", id: reading.id })}
          className={`flex h-full w-full items-center justify-between gap-1 pr-2 text-left text-13 text-heard-text hover:bg-wash ${chosen ? CHOSEN : ""}`}
        >
          <span className="truncate">{reading.statement}</span>
          <span aria-hidden className="hatch size-[9px] shrink-0" />
        </button>
      }
    >
      <CellPlot
        label={`${reading.statement}, heard in ${levels.filter(Boolean).length} of ${levels.length} bars`}
        chosen={chosen}
        cells={cells}
        className="cursor-cell touch-none"
        data-testid="paintable"
        {...paint.handlers}
      >
        <HatchPatterns />
      </CellPlot>
    </Row>
  );
}

/** 45 degrees, a period of 4; the line is thicker where there is more. */
function HatchPatterns() {
  const lines = [1.3, 1.7, 2.2];
  return (
    <defs>
      {lines.map((line, index) => (
        <pattern
          key={line}
          id={`hatch-${index + 1}`}
          width="4"
          height="4"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <line x1="2" y1="0" x2="2" y2="4" stroke="var(--heard)" strokeWidth={line} />
        </pattern>
      ))}
    </defs>
  );
}
