import type { Analysis, HeardLayer, Layer } from "../api/types";
import { Fragment, memo } from "react";
import { layerMark, toldBy } from "../lib/sources";
import { CellPlot } from "./CellPlot";
import { useSelection, useSheet } from "./context";
import { same, type Selection } from "./selection";
import { NOTES_HEIGHT, pitched, PlayedPlot, STROKES_HEIGHT } from "./PlayedPlot";
import { lineOf } from "./played";
import { PenPlot } from "./PenPlot";
import { Row } from "./Row";
import { usePainting } from "./usePainting";

const PLAYING = 0.5;
const CHOSEN = "font-medium underline decoration-2 underline-offset-4";

/** One row a part, a stroke of the pen where it plays, thicker where there is more of it. Hatched rows are a person's, over the measured rows of their role. */
export const LayerRows = memo(function LayerRows() {
  const { analysis } = useSheet();
  const selection = useSelection();
  const roles = new Set(analysis.layers.map((layer) => layer.role));
  const shown = shownLayers(analysis, selection);
  const own = (role: string) => shown.filter((layer) => layer.role === role);
  const others = shown.filter((layer) => layer.role === null || !roles.has(layer.role));
  return (
    <>
      {analysis.layers.map((layer, index) => (
        <Fragment key={`${layer.name} ${index}`}>
          {(analysis.layers[index - 1]?.role === layer.role ? [] : own(layer.role)).map((heard) => (
            <OwnRow key={heard.reading_id} layer={heard} />
          ))}
          <MeasuredRow layer={layer} />
        </Fragment>
      ))}
      {others.map((layer) => (
        <OwnRow key={layer.reading_id} layer={layer} />
      ))}
    </>
  );
});

/** A card that only says more of a measured layer has no row of its own, but while it is open, to paint on. */
export function shownLayers(analysis: Analysis, selection: Selection | null): HeardLayer[] {
  const measured = new Set(analysis.layers.map((layer) => layer.name));
  return analysis.heard_layers.filter(
    (layer) =>
      layer.levels.some(Boolean) ||
      !measured.has(layer.name) ||
      same(selection, { kind: "ownLayer", id: layer.reading_id }),
  );
}

function MeasuredRow({ layer }: { layer: Layer }) {
  const { analysis, geometry, select } = useSheet();
  const selection = useSelection();
  const chosen = same(selection, { kind: "layer", name: layer.name });
  const playing = layer.activity.filter((value) => value >= PLAYING).length;
  const line = geometry.close ? lineOf(analysis, layer) : undefined;
  const mark = layerMark(layer);
  return (
    <Row
      height={line ? (pitched(line) ? NOTES_HEIGHT : STROKES_HEIGHT) : geometry.rowHeight}
      seeks
      label={
        <button
          type="button"
          aria-pressed={chosen}
          onClick={() => select({ kind: "layer", name: layer.name })}
          title={`${layer.name}, ${toldBy(layer.source)}`}
          className={`flex h-full w-full items-baseline justify-between gap-1 pt-1 pr-2 text-left text-13 hover:bg-wash ${chosen ? CHOSEN : ""}`}
        >
          <LayerName name={layer.name} />
          {mark && <span className="shrink-0 text-11 text-measured">{mark}</span>}
        </button>
      }
    >
      {line ? (
        <PlayedPlot line={line} chosen={chosen} />
      ) : (
        <PenPlot
          label={`${layer.name} plays in ${playing} of ${layer.activity.length} bars`}
          chosen={chosen}
          values={layer.activity}
        />
      )}
    </Row>
  );
}

/** A name is never cut: long ones stand in two small lines. */
const ONE_LINE = 11;

function LayerName({ name }: { name: string }) {
  return (
    <span className={name.length > ONE_LINE ? "line-clamp-2 text-11 leading-[11px] wrap-anywhere" : "truncate"}>
      {name}
    </span>
  );
}

function OwnRow({ layer }: { layer: HeardLayer }) {
  const { geometry, select } = useSheet();
  const selection = useSelection();
  const id = layer.reading_id;
  const chosen = same(selection, { kind: "ownLayer", id });
  const paint = usePainting(id);
  const cells = paint
    .shown(layer.levels)
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
          onClick={() => select({ kind: "ownLayer", id })}
          className={`flex h-full w-full items-center justify-between gap-1 pr-2 text-left text-13 text-heard-text hover:bg-wash ${chosen ? CHOSEN : ""}`}
        >
          <LayerName name={layer.name} />
          <span aria-hidden className="hatch size-swatch shrink-0" />
        </button>
      }
    >
      <CellPlot
        label={`${layer.name}, heard in ${layer.levels.filter(Boolean).length} of ${layer.levels.length} bars`}
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
