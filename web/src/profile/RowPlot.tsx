import { useRef, type ReactNode } from "react";
import { useSize } from "../lib/useSize";
import { RowLines } from "./RowLines";
import { ROW } from "./scales";

interface RowPlotProps {
  label: string;
  rows: number;
  /** Draws into the width that there is; figures keep their size. */
  children: (width: number) => ReactNode;
}

/** A plot with one row a song and an axis below, as wide as its column. */
export function RowPlot({ label, rows, children }: RowPlotProps) {
  const box = useRef<HTMLDivElement>(null);
  const { width } = useSize(box, { width: 210, height: 0 });
  return (
    <div ref={box} className="min-w-0">
      <svg role="img" aria-label={label} width={width} height={rows * ROW + 16} className="overflow-visible">
        {children(width)}
        <RowLines width={width} count={rows} />
      </svg>
    </div>
  );
}
