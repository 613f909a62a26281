import type { SVGProps } from "react";
import { useSheet } from "./context";

export interface Cell {
  /** The first bar that the cell stands for, from 1, and how many share it. */
  bar: number;
  bars: number;
  fill: string;
  outline?: string;
  hint?: string;
}

interface CellPlotProps extends SVGProps<SVGSVGElement> {
  label: string;
  chosen: boolean;
  cells: Cell[];
}

const MARGIN = 4;

/** The gap is the bar grid, so cells stay tallies and never join into blocks. */
const gapOf = (barWidth: number) => Math.max(0.8, Math.min(4, barWidth * 0.14));

/** One row of ink: a cell a bar. */
export function CellPlot({ label, chosen, cells, className = "", children, ...rest }: CellPlotProps) {
  const { geometry } = useSheet();
  const gap = gapOf(geometry.barWidth);
  return (
    <svg
      role="img"
      aria-label={label}
      width={geometry.width}
      height={geometry.rowHeight}
      className={`${className} ${chosen ? "bg-wash" : ""}`}
      {...rest}
    >
      {children}
      <line
        x1="0"
        x2={geometry.width}
        y1={geometry.rowHeight - 0.5}
        y2={geometry.rowHeight - 0.5}
        stroke="var(--rule-faint)"
      />
      {cells.map((cell) => (
        <rect
          key={cell.bar}
          x={geometry.xOfBar(cell.bar) + gap}
          y={MARGIN}
          width={Math.max(1, cell.bars * geometry.barWidth - 2 * gap)}
          height={geometry.rowHeight - 2 * MARGIN}
          fill={cell.fill}
          {...(cell.outline ? { stroke: cell.outline, strokeWidth: 0.8 } : {})}
        >
          {cell.hint && <title>{cell.hint}</title>}
        </rect>
      ))}
    </svg>
  );
}
