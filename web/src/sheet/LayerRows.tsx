import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useRef, useState, type PointerEvent } from "react";
import { write } from "../api/client";
import type { Layer, Reading } from "../api/types";
import { amountStep, inkColour } from "../lib/ink";
import { same, useSheet } from "./context";
import { Row } from "./Row";

const CELL_MARGIN = 4;
const PLAYING = 0.5;

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
          className={`h-full w-full truncate text-left text-13 hover:bg-wash ${chosen ? "font-medium underline decoration-2 underline-offset-4" : ""}`}
        >
          {layer.role}
        </button>
      }
    >
      <svg
        role="img"
        aria-label={`${layer.role} plays in ${playing} of ${layer.activity.length} bars`}
        width={geometry.width}
        height={geometry.rowHeight}
        className={chosen ? "bg-wash" : ""}
      >
        <line
          x1="0"
          x2={geometry.width}
          y1={geometry.rowHeight - 0.5}
          y2={geometry.rowHeight - 0.5}
          stroke="var(--rule-faint)"
        />
        {cells(layer.activity, geometry.perCell).map(({ bar, value }) => (
          <rect
            key={bar}
            x={geometry.xOfBar(bar) + gap(geometry.barWidth)}
            y={CELL_MARGIN}
            width={cellWidth(geometry.barWidth * geometry.perCell)}
            height={geometry.rowHeight - 2 * CELL_MARGIN}
            fill={inkColour(amountStep(value))}
          >
            <title>{`bar ${bar}: ${value.toFixed(2)}`}</title>
          </rect>
        ))}
      </svg>
    </Row>
  );
}

/** The gap is the bar grid, so cells stay tallies and never join into blocks. */
const gap = (barWidth: number) => Math.max(0.8, Math.min(4, barWidth * 0.14));
const cellWidth = (width: number) => Math.max(1, width - 2 * gap(width));

function cells(values: number[], perCell: number): { bar: number; value: number }[] {
  return Array.from({ length: Math.ceil(values.length / perCell) }, (_, index) => {
    const part = values.slice(index * perCell, (index + 1) * perCell);
    return { bar: index * perCell + 1, value: part.reduce((sum, value) => sum + value, 0) / part.length };
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
  return (
    <Row
      height={geometry.rowHeight}
      label={
        <button
          type="button"
          aria-pressed={chosen}
          title="Heard by you. Drag over its bars to paint where it plays."
          onClick={() => select({ kind: "ownLayer", id: reading.id })}
          className={`flex h-full w-full items-center justify-between gap-1 pr-2 text-left text-13 text-heard-text hover:bg-wash ${chosen ? "font-medium underline decoration-2 underline-offset-4" : ""}`}
        >
          <span className="truncate">{reading.statement}</span>
          <span aria-hidden className="hatch size-[9px] shrink-0" />
        </button>
      }
    >
      <svg
        role="img"
        aria-label={`${reading.statement}, heard in ${levels.filter(Boolean).length} of ${levels.length} bars`}
        width={geometry.width}
        height={geometry.rowHeight}
        className={`cursor-cell touch-none ${chosen ? "bg-wash" : ""}`}
        data-testid="paintable"
        {...paint.handlers}
      >
        <HatchPatterns />
        <line
          x1="0"
          x2={geometry.width}
          y1={geometry.rowHeight - 0.5}
          y2={geometry.rowHeight - 0.5}
          stroke="var(--rule-faint)"
        />
        {paint
          .shown(levels)
          .map(
            (level, index) =>
              level > 0 && (
                <rect
                  key={index}
                  x={geometry.xOfBar(index + 1) + gap(geometry.barWidth)}
                  y={CELL_MARGIN}
                  width={cellWidth(geometry.barWidth)}
                  height={geometry.rowHeight - 2 * CELL_MARGIN}
                  fill={`url(#hatch-${level})`}
                  stroke="var(--heard)"
                  strokeWidth="0.8"
                />
              ),
          )}
      </svg>
    </Row>
  );
}

/** 45 degrees, a period of 4; the line is thicker where there is more. */
export function HatchPatterns() {
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

interface Stroke {
  from: number;
  to: number;
}

/** Dragging paints a run of bars with the brush; the cells follow at once, the store when the hand lifts. */
function usePainting(reading: Reading) {
  const { geometry, brush, select, page } = useSheet();
  const client = useQueryClient();
  const [stroke, setStroke] = useState<Stroke | null>(null);
  const start = useRef<number | null>(null);
  const save = useMutation({
    mutationFn: (run: { first_bar: number; last_bar: number; level: number }) =>
      write("POST", `/readings/${reading.id}/cells`, run),
    onSettled: async () => {
      await client.invalidateQueries({ queryKey: ["reference", page.reference.id] });
      setStroke(null);
    },
  });
  const barAt = (event: PointerEvent<SVGSVGElement>) => {
    const x = event.clientX - event.currentTarget.getBoundingClientRect().left;
    return Math.min(Math.max(1, Math.floor(x / geometry.barWidth) + 1), geometry.bars.length);
  };
  return {
    shown: (levels: number[]) =>
      stroke
        ? levels.map((level, index) => (index + 1 >= stroke.from && index + 1 <= stroke.to ? brush : level))
        : levels,
    handlers: {
      onPointerDown: (event: PointerEvent<SVGSVGElement>) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        select({ kind: "ownLayer", id: reading.id });
        start.current = barAt(event);
        setStroke({ from: start.current, to: start.current });
      },
      onPointerMove: (event: PointerEvent<SVGSVGElement>) => {
        if (start.current === null) return;
        const bar = barAt(event);
        setStroke({ from: Math.min(start.current, bar), to: Math.max(start.current, bar) });
      },
      onPointerUp: (event: PointerEvent<SVGSVGElement>) => {
        if (start.current === null) return;
        const bar = barAt(event);
        save.mutate({ first_bar: Math.min(start.current, bar), last_bar: Math.max(start.current, bar), level: brush });
        start.current = null;
      },
    },
  };
}
