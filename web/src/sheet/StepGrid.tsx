import type { StepPattern } from "../api/types";
import { confidenceStep, inkColour } from "../lib/ink";
import { joined, rectangle, upright } from "../lib/path";

/** A step that is struck less often than this is left blank. */
const SELDOM = 0.15;

interface StepGridProps {
  pattern: StepPattern;
  width: number;
  rowHeight: number;
  /** Steps in a beat, for the lines between beats. */
  perBeat: number;
}

/** A bar of steps: one line a piece, ink for how often it is struck, height for how hard. */
export function StepGrid({ pattern, width, rowHeight, perBeat }: StepGridProps) {
  const step = width / pattern.steps;
  const height = rowHeight * pattern.rows.length;
  const beats = Array.from({ length: Math.ceil(pattern.steps / perBeat) }, (_, beat) =>
    upright(beat * perBeat * step + 0.5, 0, height),
  ).join("");
  const lines = pattern.rows.map((_, line) => `M0 ${(line + 1) * rowHeight - 0.5}H${width}`).join("");
  const strokes = pattern.rows.flatMap((row, line) =>
    row.probability.map((share, index) => ({ share, index, line, hard: row.velocity[index] ?? 1 })),
  );
  const ink = joined(
    strokes,
    ({ share }) => (share < SELDOM ? null : inkColour(confidenceStep(share))),
    ({ index, line, hard }) => {
      const tall = Math.max(2, (rowHeight - 2) * (0.35 + 0.65 * hard));
      return rectangle(index * step + 0.8, (line + 1) * rowHeight - 1 - tall, Math.max(1, step - 1.2), tall);
    },
  );
  return (
    <svg role="img" aria-label={spoken(pattern)} width={width} height={height} className="block">
      <path d={beats + lines} stroke="var(--rule-faint)" />
      {ink.map(([fill, path]) => (
        <path key={fill} d={path} fill={fill} />
      ))}
    </svg>
  );
}

function spoken(pattern: StepPattern): string {
  return pattern.rows
    .map((row) => {
      const struck = row.probability.flatMap((share, index) => (share >= 0.5 ? [index + 1] : []));
      return `${row.piece} on ${struck.length > 0 ? `steps ${struck.join(", ")}` : "no step"}`;
    })
    .join("; ");
}
