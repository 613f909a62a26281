import type { Profile, TempoPoint } from "../api/types";
import { figure } from "../lib/format";
import { RowPlot } from "./RowPlot";
import { logScale, ROW, tempoTicks } from "./scales";

/** Each song's tempo where it is felt, and as counted when that is an octave away. */
export function TempoPlot({ profile }: { profile: Profile }) {
  const points = profile.tempo.points;
  return (
    <RowPlot label={summary(points)} rows={points.length}>
      {(width) => <Tempos profile={profile} width={width} />}
    </RowPlot>
  );
}

function Tempos({ profile, width }: { profile: Profile; width: number }) {
  const { points, range } = profile.tempo;
  const all = points.flatMap((point) => (point ? [point.counted, point.folded] : []));
  const low = Math.min(...all, 60) * 0.92;
  const high = Math.max(...all, 120) * 1.35;
  const x = logScale(low, high, width);
  const height = points.length * ROW;
  return (
    <>
      {range && (
        <rect
          x={x(range[0]) - 2}
          y={0}
          width={Math.max(4, x(range[1]) - x(range[0]) + 4)}
          height={height}
          fill="var(--rule)"
          opacity="0.6"
        />
      )}
      {tempoTicks(low, high).map((tick) => (
        <g key={tick}>
          <line x1={x(tick)} x2={x(tick)} y1={0} y2={height} stroke="var(--rule-faint)" />
          <text
            x={x(tick)}
            y={height + 13}
            textAnchor="middle"
            fontSize="11"
            fontFamily="var(--mono)"
            fill="var(--ink-3)"
          >
            {tick}
          </text>
        </g>
      ))}
      {points.map((point, index) => point && <SongTempo key={index} point={point} y={index * ROW + ROW / 2} x={x} />)}
    </>
  );
}

function SongTempo({ point, y, x }: { point: TempoPoint; y: number; x: (value: number) => number }) {
  const away = Math.abs(point.counted - point.folded) > 0.01;
  const at = x(point.folded);
  return (
    <g>
      {away && (
        <>
          <line x1={at} x2={x(point.counted)} y1={y} y2={y} stroke="var(--measured)" strokeDasharray="1.5 3" />
          <circle cx={x(point.counted)} cy={y} r="3.5" fill="var(--sheet)" stroke="var(--measured)" strokeWidth="1.2" />
        </>
      )}
      <circle
        cx={at}
        cy={y}
        r="4"
        fill={point.apart ? "var(--sheet)" : "var(--measured)"}
        stroke="var(--measured)"
        strokeWidth="1.5"
      />
      <text
        x={at + 8}
        y={y + 4}
        fontSize="11"
        fontFamily="var(--mono)"
        fill="var(--ink)"
        stroke="var(--sheet)"
        strokeWidth="3"
        paintOrder="stroke"
      >
        {figure(point.folded, 2)}
        {away && ` of ${figure(point.counted, 2)}`}
      </text>
    </g>
  );
}

function summary(points: (TempoPoint | null)[]): string {
  return `Tempo of each song: ${points.map((point) => (point ? `${figure(point.folded, 2)} BPM` : "none")).join(", ")}`;
}
