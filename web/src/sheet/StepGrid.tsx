import type { StepPattern } from "../api/types";
import { confidenceStep, inkColour } from "../lib/ink";

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
  return (
    <svg role="img" aria-label={spoken(pattern)} width={width} height={height} className="block">
      {Array.from({ length: Math.ceil(pattern.steps / perBeat) }, (_, beat) => (
        <line
          key={beat}
          x1={beat * perBeat * step + 0.5}
          x2={beat * perBeat * step + 0.5}
          y1="0"
          y2={height}
          stroke="var(--rule-faint)"
        />
      ))}
      {pattern.rows.map((row, line) => (
        <g key={row.piece}>
          <line
            x1="0"
            x2={width}
            y1={(line + 1) * rowHeight - 0.5}
            y2={(line + 1) * rowHeight - 0.5}
            stroke="var(--rule-faint)"
          />
          {row.probability.map((share, index) => {
            if (share < SELDOM) return null;
            const tall = Math.max(2, (rowHeight - 2) * (0.35 + 0.65 * (row.velocity[index] ?? 1)));
            return (
              <rect
                key={index}
                x={index * step + 0.8}
                y={(line + 1) * rowHeight - 1 - tall}
                width={Math.max(1, step - 1.2)}
                height={tall}
                fill={inkColour(confidenceStep(share))}
              />
            );
          })}
        </g>
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
