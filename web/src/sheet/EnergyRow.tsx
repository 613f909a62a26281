import { useQuery } from "@tanstack/react-query";
import { memo, useMemo } from "react";
import { peaksQuery } from "../api/queries";
import { figure } from "../lib/format";
import { inView, useSheet } from "./context";
import { Term } from "../words/Term";
import { outline } from "./outline";
import { Row } from "./Row";

/** Loudness of each bar as one continuous profile; close to, the waveform itself, so that a stroke can be seen. */
export const EnergyRow = memo(function EnergyRow() {
  const { page, analysis, geometry } = useSheet();
  const { data: peaks } = useQuery({ ...peaksQuery(page.reference.id), enabled: geometry.close });
  const levels = analysis.bars.map((bar) => bar.energy);
  const high = Math.max(...levels);
  const low = Math.max(Math.min(...levels), high - 36);
  // An older Ethoscope drew none.
  const drawn = geometry.close && peaks !== undefined && peaks.length > 0;
  return (
    <Row
      height={geometry.energyHeight + 10}
      seeks
      label={
        <div className="relative h-full pt-3">
          <span className="block text-13 font-medium">{drawn ? "Waveform" : "Energy"}</span>
          {!drawn && (
            <>
              <span className="block text-11 text-ink-3">
                <Term of="LUFS" /> by bar
              </span>
              <span className="absolute top-0 right-1.5 figure text-ink-3">{figure(high)}</span>
              <span className="absolute right-1.5 bottom-3 figure text-ink-3">{figure(low)}</span>
            </>
          )}
        </div>
      }
    >
      {drawn ? <Waveform peaks={peaks} /> : <Profile levels={levels} low={low} high={high} />}
    </Row>
  );
});

function Profile({ levels, low, high }: { levels: number[]; low: number; high: number }) {
  const { geometry } = useSheet();
  const height = geometry.energyHeight;
  const y = (level: number) => 4 + (1 - (Math.max(level, low) - low) / Math.max(1, high - low)) * (height - 10);
  const points = levels.map((level, index) => `${geometry.xOfBar(index + 1.5).toFixed(1)},${y(level).toFixed(1)}`);
  const edge = [
    `0,${y(levels[0] ?? low).toFixed(1)}`,
    ...points,
    `${geometry.width},${y(levels.at(-1) ?? low).toFixed(1)}`,
  ].join(" L");
  return (
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
  );
}

function Waveform({ peaks }: { peaks: Int8Array }) {
  const { geometry, view } = useSheet();
  const { energyHeight: height, xOfTime } = geometry;
  const seen = geometry.bars.filter((bar) => inView(view, bar.bar));
  const path = useMemo(() => {
    const shown = geometry.bars.filter((bar) => inView(view, bar.bar));
    return outline(peaks, shown[0]?.start ?? 0, shown.at(-1)?.end ?? 0, xOfTime, height);
  }, [peaks, geometry.bars, view, xOfTime, height]);
  return (
    <svg
      role="img"
      aria-label={`Waveform of bars ${seen[0]?.bar ?? 1} to ${seen.at(-1)?.bar ?? 1}`}
      width={geometry.width}
      height={height}
      className="overflow-visible"
    >
      <path d={path} fill="var(--measured)" stroke="var(--measured)" strokeWidth="0.6" />
      <line x1="0" x2={geometry.width} y1={height / 2} y2={height / 2} stroke="var(--rule)" />
    </svg>
  );
}
