import { useRef, type PointerEvent } from "react";
import { strokes } from "../lib/pen";
import { useSheet } from "./context";

interface PenPlotProps {
  label: string;
  chosen: boolean;
  /** How much of it is there, bar by bar, 0 to 1. */
  values: number[];
}

/** Room above and below the strokes. */
const MARGIN = 2;

/** Presence over bars as strokes of a pen: they set on, swell and break off. How much is there in a bar is told where the pointer is. */
export function PenPlot({ label, chosen, values }: PenPlotProps) {
  const { geometry } = useSheet();
  const hint = useRef<HTMLTitleElement>(null);
  const base = geometry.rowHeight - MARGIN;
  const drawn = strokes(values, geometry.barWidth, base, -1, geometry.rowHeight - 2 * MARGIN - 1);
  const tell = (event: PointerEvent<SVGSVGElement>) => {
    const bar = 1 + Math.floor((event.clientX - event.currentTarget.getBoundingClientRect().left) / geometry.barWidth);
    const value = values[bar - 1];
    if (hint.current) hint.current.textContent = value === undefined ? "" : `bar ${bar}: ${Math.round(value * 100)} %`;
  };
  return (
    <svg
      role="img"
      aria-label={label}
      width={geometry.width}
      height={geometry.rowHeight}
      className={chosen ? "bg-wash" : ""}
      onPointerMove={tell}
    >
      <title ref={hint} />
      <path d={`M0 ${base + 0.5}H${geometry.width}`} stroke="var(--rule)" />
      <path d={drawn.map((stroke) => stroke.d).join("")} fill="var(--measured)" />
    </svg>
  );
}
