import { memo } from "react";
import { figure } from "../lib/format";
import { useSheet } from "./context";
import { Row } from "./Row";

export const TEMPO_HEIGHT = 40;
const PLOT = 30;
/** A range of at least so many BPM, so that a breath does not look like a storm. */
const LEAST = 4;

/** The tempo of each bar, where it moves. */
export const TempoRow = memo(function TempoRow() {
  const { analysis, geometry } = useSheet();
  if (analysis.tempo.constant || analysis.tempo.bpm === null) return null;

  const tempos = analysis.bars.map((bar) => bar.bpm);
  const low = Math.min(...tempos);
  const high = Math.max(...tempos);
  const range = Math.max(LEAST, high - low);
  const y = (bpm: number) => 4 + (1 - (bpm - (low + high) / 2 + range / 2) / range) * (PLOT - 8);
  const path = tempos.map((bpm, index) => `${geometry.xOfBar(index + 1.5).toFixed(1)},${y(bpm).toFixed(1)}`).join(" L");
  return (
    <Row
      height={TEMPO_HEIGHT}
      seeks
      label={
        <div className="relative h-full pt-1">
          <span className="block text-13 font-medium">Tempo</span>
          <span className="block text-11 text-ink-3">BPM by bar</span>
          <span className="absolute top-0 right-1.5 figure text-ink-3">{figure(high)}</span>
          <span className="absolute right-1.5 bottom-2 figure text-ink-3">{figure(low)}</span>
        </div>
      }
    >
      <svg
        role="img"
        aria-label={`Tempo from ${figure(low, 1)} to ${figure(high, 1)} BPM`}
        width={geometry.width}
        height={PLOT}
        className="overflow-visible"
      >
        <path d={`M${path}`} fill="none" stroke="var(--measured)" strokeWidth="1.3" strokeLinejoin="round" />
        <line x1="0" x2={geometry.width} y1={PLOT} y2={PLOT} stroke="var(--rule-faint)" />
      </svg>
    </Row>
  );
});
