import { memo } from "react";
import { figure } from "../lib/format";
import { useSheet } from "./context";
import { Term } from "../words/Term";
import { Row } from "./Row";

/** Loudness of each bar as one continuous profile. */
export const EnergyRow = memo(function EnergyRow() {
  const { analysis, geometry } = useSheet();
  const height = geometry.energyHeight;
  const levels = analysis.bars.map((bar) => bar.energy);
  const high = Math.max(...levels);
  const low = Math.max(Math.min(...levels), high - 36);
  const y = (level: number) => 4 + (1 - (Math.max(level, low) - low) / Math.max(1, high - low)) * (height - 10);
  const points = levels.map((level, index) => `${geometry.xOfBar(index + 1.5).toFixed(1)},${y(level).toFixed(1)}`);
  const edge = [
    `0,${y(levels[0] ?? low).toFixed(1)}`,
    ...points,
    `${geometry.width},${y(levels.at(-1) ?? low).toFixed(1)}`,
  ].join(" L");
  return (
    <Row
      height={height + 10}
      seeks
      label={
        <div className="relative h-full pt-3">
          <span className="block text-13 font-medium">Energy</span>
          <span className="block text-11 text-ink-3">
            <Term of="LUFS" /> by bar
          </span>
          <span className="absolute top-0 right-1.5 figure text-ink-3">{figure(high)}</span>
          <span className="absolute right-1.5 bottom-3 figure text-ink-3">{figure(low)}</span>
        </div>
      }
    >
      <svg
        role="img"
        aria-label={`Energy from ${figure(low, 1)} to ${figure(high, 1)} LUFS over ${levels.length} bars`}
        width={geometry.width}
        height={height}
        className="overflow-visible"
      >
        <path d={`M${edge} L${geometry.width},${height} L0,${height} Z`} fill="var(--ink-d2)" />
        <path d={`M${edge}`} fill="none" stroke="var(--measured)" strokeWidth="1.3" strokeLinejoin="round" />
        <line x1="0" x2={geometry.width} y1={height} y2={height} stroke="var(--rule)" />
      </svg>
    </Row>
  );
});
