import { figure } from "../../lib/format";

interface PulseCurveProps {
  /** [BPM, how well onsets repeat at it]. */
  pulse: [number, number][];
  /** Rates that are marked, the chosen one first. */
  marks: number[];
}

const WIDTH = 230;
const HEIGHT = 58;
const FOOT = 14;

/** How well onsets repeat at each rate, and where the candidates stand. */
export function PulseCurve({ pulse, marks }: PulseCurveProps) {
  const first = pulse[0]?.[0] ?? 40;
  const last = pulse.at(-1)?.[0] ?? 220;
  const top = Math.max(...pulse.map(([, strength]) => strength), 1e-6);
  const x = (bpm: number) => (Math.log(bpm / first) / Math.log(last / first)) * WIDTH;
  const y = (strength: number) => 3 + (1 - Math.max(0, strength) / top) * (HEIGHT - 6);
  const path = pulse.map(([bpm, strength]) => `${x(bpm).toFixed(1)},${y(strength).toFixed(1)}`).join(" L");
  const shown = marks.filter((bpm) => bpm >= first && bpm <= last);
  return (
    <svg
      role="img"
      aria-label={`How well onsets repeat from ${first} to ${last} BPM; marked: ${shown.map((bpm) => figure(bpm, 1)).join(", ")}`}
      viewBox={`0 0 ${WIDTH} ${HEIGHT + FOOT}`}
      className="w-full"
    >
      <path d={`M0,${HEIGHT} L${path} L${WIDTH},${HEIGHT} Z`} fill="var(--ink-d2)" />
      <path d={`M${path}`} fill="none" stroke="var(--measured)" strokeWidth="1.2" />
      {shown.map((bpm, index) => (
        <g key={bpm}>
          <line
            x1={x(bpm)}
            x2={x(bpm)}
            y1="0"
            y2={HEIGHT}
            stroke="var(--ink)"
            strokeWidth={index === 0 ? 1.6 : 0.8}
            strokeDasharray={index === 0 ? undefined : "3 2"}
          />
          <text
            x={Math.min(WIDTH - 12, Math.max(12, x(bpm)))}
            y={HEIGHT + FOOT - 3}
            textAnchor="middle"
            fontSize="9.5"
            fontFamily="var(--mono)"
            fill="var(--ink-2)"
          >
            {Math.round(bpm)}
          </text>
        </g>
      ))}
    </svg>
  );
}
