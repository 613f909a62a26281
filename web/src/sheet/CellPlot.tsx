import { useRef, type PointerEvent, type SVGProps } from "react";
import { joined, rectangle } from "../lib/path";
import { inView, useSheet } from "./context";

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

/** One row of ink: a cell a bar. What a cell stands for is told where the pointer is. */
export function CellPlot({ label, chosen, cells, className = "", children, ...rest }: CellPlotProps) {
  const { geometry, view } = useSheet();
  const hint = useRef<HTMLTitleElement>(null);
  const gap = gapOf(geometry.barWidth);
  const height = geometry.rowHeight - 2 * MARGIN;
  const ink = joined(
    cells.filter((cell) => inView(view, cell.bar, cell.bar + cell.bars - 1)),
    (cell) => `${cell.fill}|${cell.outline ?? ""}`,
    (cell) =>
      rectangle(geometry.xOfBar(cell.bar) + gap, MARGIN, Math.max(1, cell.bars * geometry.barWidth - 2 * gap), height),
  );
  const tell = (event: PointerEvent<SVGSVGElement>) => {
    const bar = 1 + Math.floor((event.clientX - event.currentTarget.getBoundingClientRect().left) / geometry.barWidth);
    const cell = cells.find((candidate) => bar >= candidate.bar && bar < candidate.bar + candidate.bars);
    if (hint.current) hint.current.textContent = cell?.hint ?? "";
  };
  return (
    <svg
      role="img"
      aria-label={label}
      width={geometry.width}
      height={geometry.rowHeight}
      className={`${className} ${chosen ? "bg-wash" : ""}`}
      onPointerMove={tell}
      {...rest}
    >
      <title ref={hint} />
      {children}
      <path d={`M0 ${geometry.rowHeight - 0.5}H${geometry.width}`} stroke="var(--rule-faint)" />
      {ink.map(([look, path]) => {
        const [fill, outline] = look.split("|");
        return <path key={look} d={path} fill={fill} {...(outline ? { stroke: outline, strokeWidth: 0.8 } : {})} />;
      })}
    </svg>
  );
}
