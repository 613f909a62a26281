import type { Item } from "../api/types";
import { amountStep, inkColour } from "../lib/ink";
import { joined, rectangle, upright } from "../lib/path";

const STEP = 13;
const HEIGHT = 22;
/** Bars that are drawn one above the other. */
const MOST = 8;

interface Grid {
  steps: number;
  bars: number;
  per_beat: number;
  velocities: number[];
}

/** The strokes that an item asks for, or none where it asks for something else. */
export function gridOf(item: Pick<Item, "targets">): Grid | null {
  const value = item.targets.find((target) => target.measure === "groove.steps")?.value;
  if (typeof value !== "object" || value === null) return null;

  const { steps, bars, per_beat, velocities } = value as Partial<Grid>;
  return steps && bars && per_beat && velocities ? { steps, bars, per_beat, velocities } : null;
}

/** A pattern as one would write it on squared paper: a line a bar, an upright a stroke, taller and darker where it is harder. */
export function TargetGrid({ grid, label }: { grid: Grid; label: string }) {
  const bars = Math.min(grid.bars, MOST);
  const width = grid.steps * STEP;
  const strokes = grid.velocities
    .slice(0, bars * grid.steps)
    .flatMap((hard, index) =>
      hard > 0 ? [{ hard, step: index % grid.steps, bar: Math.floor(index / grid.steps) }] : [],
    );
  const beats = Array.from({ length: Math.floor(grid.steps / grid.per_beat) + 1 }, (_, beat) =>
    upright(beat * grid.per_beat * STEP + 0.5, 0, bars * HEIGHT),
  ).join("");
  const lines = Array.from({ length: bars }, (_, bar) => `M0 ${(bar + 1) * HEIGHT - 0.5}H${width}`).join("");
  return (
    <svg role="img" aria-label={label} width={width + 1} height={bars * HEIGHT} className="my-1 block">
      <path d={beats} stroke="var(--rule-faint)" />
      <path d={lines} stroke="var(--rule-firm)" />
      {joined(
        strokes,
        ({ hard }) => inkColour(amountStep(Math.max(0.4, hard))),
        ({ hard, step, bar }) => {
          const tall = (HEIGHT - 5) * (0.35 + 0.65 * hard);
          return rectangle(step * STEP + 2, (bar + 1) * HEIGHT - 1 - tall, STEP - 4, tall);
        },
      ).map(([fill, path]) => (
        <path key={fill} d={path} fill={fill} />
      ))}
    </svg>
  );
}
