import type { StepPattern } from "../api/types";
import { amountStep, confidenceStep, inkColour, type Step } from "../lib/ink";
import { joined, upright } from "../lib/path";
import { longestPeriod } from "./played";

/** A step that is struck less often than this is left blank; one that is struck more often than not stands out of all that is not. */
const SELDOM = 0.2;
const MOSTLY = 0.5;
const CLEAR = 4;

interface StepGridProps {
  pattern: StepPattern;
  width: number;
  rowHeight: number;
  /** Steps in a beat, for the lines between beats. */
  perBeat: number;
  /** The pattern over its whole period, or else the usual bar. */
  whole?: boolean;
}

interface Stroke {
  index: number;
  line: number;
  hard: number;
  fill: string | null;
}

/** Steps: one line a piece. Over the whole period ink and height say how hard; of the usual bar ink says how often. */
export function StepGrid({ pattern, width, rowHeight, perBeat, whole = false }: StepGridProps) {
  const bars = whole ? longestPeriod(pattern) : 1;
  const steps = pattern.steps * bars;
  const step = width / steps;
  const height = rowHeight * pattern.rows.length;
  const beats = Array.from({ length: Math.ceil(steps / perBeat) }, (_, beat) =>
    upright(beat * perBeat * step + 0.5, 0, height),
  ).join("");
  const bound = Array.from({ length: bars }, (_, bar) => upright(bar * pattern.steps * step + 0.5, 0, height)).join("");
  const lines = pattern.rows.map((_, line) => `M0 ${(line + 1) * rowHeight - 0.5}H${width}`).join("");
  const ink = joined(
    whole ? struckOver(pattern, steps) : struckUsually(pattern),
    ({ fill }) => fill,
    ({ index, line, hard }) => {
      const tall = Math.max(2, (rowHeight - 2) * (0.35 + 0.65 * hard));
      return tally(
        index * step + step / 2,
        (line + 1) * rowHeight - 1,
        tall,
        Math.min(3.2, Math.max(1.4, step * 0.34)),
      );
    },
  );
  return (
    <svg role="img" aria-label={spoken(pattern)} width={width} height={height} className="block">
      <path d={beats + lines} stroke="var(--rule-faint)" />
      {bars > 1 && <path d={bound} stroke="var(--rule-firm)" />}
      {ink.map(([fill, path]) => (
        <path key={fill} d={path} fill={fill} />
      ))}
    </svg>
  );
}

/** Whether something is struck, but no step of the usual bar more often than not. */
export function unclear(pattern: StepPattern): boolean {
  const shares = pattern.rows.flatMap((row) => row.probability);
  return shares.some((share) => share >= SELDOM) && shares.every((share) => share < MOSTLY);
}

/** A stroke of the pen: it leans a little, and is thicker at its foot. */
function tally(x: number, foot: number, tall: number, thick: number): string {
  const lean = tall * 0.16;
  return `M${(x - thick / 2).toFixed(1)} ${foot}L${(x + lean - thick / 3).toFixed(1)} ${(foot - tall).toFixed(1)}H${(x + lean + thick / 3).toFixed(1)}L${(x + thick / 2).toFixed(1)} ${foot}Z`;
}

function struckUsually(pattern: StepPattern): Stroke[] {
  return pattern.rows.flatMap((row, line) =>
    row.probability.map((share, index) => ({
      index,
      line,
      hard: share < MOSTLY ? 0 : (row.velocity[index] ?? 1),
      fill: share < SELDOM ? null : inkColour(share < MOSTLY ? 1 : (Math.max(CLEAR, confidenceStep(share)) as Step)),
    })),
  );
}

function struckOver(pattern: StepPattern, steps: number): Stroke[] {
  return pattern.rows.flatMap((row, line) =>
    Array.from({ length: steps }, (_, index) => {
      const hard = row.hits[index % row.hits.length] ?? 0;
      return { index, line, hard, fill: hard > 0 ? inkColour(amountStep(Math.max(0.35, hard))) : null };
    }),
  );
}

function spoken(pattern: StepPattern): string {
  return pattern.rows
    .map((row) => {
      const struck = row.hits.flatMap((hard, index) => (hard > 0 ? [index + 1] : []));
      const over = row.period > 1 ? ` of ${row.period} bars` : "";
      return `${row.piece} on ${struck.length > 0 ? `steps ${struck.join(", ")}${over}` : "no step"}`;
    })
    .join("; ");
}
