import type { SeriesEvidence } from "../../api/types";
import { figure } from "../../lib/format";

const WIDTH = 230;
const HEIGHT = 64;
const TOP = 4;
const BOTTOM = 16;

/** A measured series over bars, with the value from which it counts as a dashed line. */
export function Series({ evidence }: { evidence: SeriesEvidence }) {
  const { values, threshold, first_bar: first, step } = evidence;
  const known = values.filter((value): value is number => value !== null);
  if (known.length === 0) return <p className="text-ink-2">Nothing was measured there.</p>;

  if (known.length > 1 && Math.max(...known) - Math.min(...known) < 1e-6)
    return (
      <p className="font-serif text-15">
        The same throughout: <span className="figure">{figure(known[0] ?? 0, 2)}</span> {evidence.unit}
        {threshold !== null && `; it counts from ${figure(threshold, 2)}`}.
      </p>
    );

  const all = threshold === null ? known : [...known, threshold];
  const low = Math.min(...all);
  const high = Math.max(...all);
  const range = high - low || 1;
  const y = (value: number) => TOP + (1 - (value - low) / range) * (HEIGHT - TOP - BOTTOM);
  const x = (index: number) => ((index + 0.5) / values.length) * WIDTH;
  const last = first + values.length * step - 1;
  const decimals = range < 2 ? 2 : range < 20 ? 1 : 0;
  return (
    <figure>
      <svg
        role="img"
        aria-label={`${evidence.label}: from ${figure(low, decimals)} to ${figure(high, decimals)} ${evidence.unit}`}
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="w-full bg-deep/50"
      >
        {runsOf(values).map((run) => (
          <path
            key={run[0]?.index}
            d={`M${run.map(({ value, index }) => `${x(index).toFixed(1)},${y(value).toFixed(1)}`).join(" L")}${run.length === 1 ? " h0.01" : ""}`}
            fill="none"
            stroke="var(--measured)"
            strokeWidth={run.length === 1 ? 4 : 1.4}
            strokeLinecap="round"
            strokeLinejoin="round"
          />
        ))}
        {threshold !== null && (
          <path
            d={`M0 ${y(threshold).toFixed(1)}H${WIDTH}`}
            stroke="var(--ink-2)"
            strokeDasharray="3 3"
            strokeWidth="1"
          />
        )}
        <text x="2" y={HEIGHT - 3} fontSize="11" fill="var(--ink-2)">
          {`bar ${first}`}
        </text>
        <text x={WIDTH - 2} y={HEIGHT - 3} fontSize="11" textAnchor="end" fill="var(--ink-2)">
          {Math.max(first, Math.round(last))}
        </text>
      </svg>
      <figcaption className="mt-1 flex justify-between gap-2 text-11 text-ink-2">
        <span>
          <span className="figure">{figure(low, decimals)}</span> to{" "}
          <span className="figure">{figure(high, decimals)}</span> {evidence.unit}
        </span>
        {threshold !== null && (
          <span className="shrink-0">
            counts from <span className="figure">{figure(threshold, decimals)}</span>
          </span>
        )}
      </figcaption>
    </figure>
  );
}

/** Stretches without a gap. */
function runsOf(values: (number | null)[]): { value: number; index: number }[][] {
  const runs: { value: number; index: number }[][] = [];
  values.forEach((value, index) => {
    if (value === null) return;
    const run = runs.at(-1);
    if (run?.at(-1)?.index === index - 1) run?.push({ value, index });
    else runs.push([{ value, index }]);
  });
  return runs;
}
